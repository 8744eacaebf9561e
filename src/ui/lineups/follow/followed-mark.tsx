"use client";

import { say } from "@/core/language/say";
import { useMemo } from "react";
import { compareRosters } from "@/core/compare/rosters";
import { verdictMark } from "@/core/messages/verdict";
import { useEditor } from "../../workspace/workspace.client";
import { useFollowed, useVerdict, type Followed } from "./use-followed";
import { ViewLink } from "../../workspace/view-link";

const nothingTied = { mods: [], plugins: [] };

/** How the profile stands to the list that it follows, in a few words; nothing where it follows none. */
export function FollowedMark() {
  const followed = useFollowed();
  return followed && <Mark followed={followed} />;
}

function Mark({ followed }: { followed: Followed }) {
  const verdict = useVerdict(followed);
  const roster = useEditor((state) => state.roster);
  const changed = useMemo(
    () => compareRosters(roster, followed.pure, nothingTied).length,
    [followed, roster],
  );
  const isFine = verdict.kind === "exact" || verdict.kind === "as-far";
  return (
    <ViewLink
      href="/lineups?part=following"
      title={say("lineups.itFollows", {
        title: followed.lineup.title,
        listVersion: followed.lineup.listVersion,
      })}
      className="hover:bg-sunk flex h-6 items-center gap-1 rounded px-1"
    >
      <span className={isFine ? "text-ink2" : "text-saffron font-semibold"}>{verdictMark(verdict)}</span>
      {changed > 0 && (
        <span className="text-saffron font-semibold">{say("lineups.changedByYou", { changed })}</span>
      )}
    </ViewLink>
  );
}
