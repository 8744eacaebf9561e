"use client";

import { recipeOf } from "@/core/blend/decisions";
import { say } from "@/core/language/say";
import { Button } from "../kit/button";
import { LevelMark } from "../kit/level";
import { TextLink, ViewLink } from "../workspace/view-link";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** Whether the profile has a blend that has to be built anew. */
export const useBlendDue = (): boolean =>
  useEditor(
    ({ roster }) => roster.overlaps.standing.blend === "due" && recipeOf(roster.profile.state) !== null,
  );

/** Builds the blend of the profile, the first time or anew. */
export function BuildButton({ isFirst = false, small = false }: { isFirst?: boolean; small?: boolean }) {
  const { blend } = useWorkspace();
  return (
    <Button small={small} disabled={blend.isBuilding} onClick={() => void blend.build()}>
      {say(blend.isBuilding ? "blend.building" : isFirst ? "blend.build" : "blend.rebuild")}
    </Button>
  );
}

/** That the blend is due, where it is, in two words. */
export function BlendMark() {
  if (!useBlendDue()) return null;
  return (
    <ViewLink href="/blend" className="hover:bg-sunk flex h-6 items-center gap-1 rounded px-1">
      <LevelMark level="problem" />
      {say("blend.dueMark")}
    </ViewLink>
  );
}

/** How the blend of a profile that has one stands, and what to do about it. */
export function BlendStandingLine() {
  const isDue = useBlendDue();
  return (
    <>
      <p className="text-ink2 mb-2">
        {say(isDue ? "blend.standing.due" : "blend.standing.current")}{" "}
        <TextLink href="/blend">{say("findings.fixText.look-at-blend")}</TextLink>
      </p>
      {isDue && <BuildButton />}
    </>
  );
}
