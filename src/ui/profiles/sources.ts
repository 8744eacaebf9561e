import { useMemo } from "react";
import type { StateSource } from "@/server/operations/profiles";
import { useEditor } from "../workspace/workspace.client";

interface SourceGroup {
  readonly title: string;
  readonly choices: readonly { readonly source: StateSource; readonly name: string }[];
}

/** What a state can be taken from: other profiles, restore points of this one, lineups that were brought in. */
export function useSources({ present }: { present: boolean }): readonly SourceGroup[] {
  const { profiles, restorePoints, imports } = useEditor((state) => state.view);
  const id = useEditor((state) => state.profile.id);
  return useMemo(
    () =>
      [
        {
          title: "as a copy of a profile",
          choices: profiles
            .filter((each) => !each.deleted && (present || each.id !== id))
            .map((each) => ({ source: { profile: each.id }, name: each.name })),
        },
        {
          title: "as this profile was at a restore point",
          choices: restorePoints.map((each) => ({ source: { point: each.id }, name: each.name })),
        },
        {
          title: "as a lineup describes it",
          choices: imports.map((each) => ({ source: { lineup: each.id }, name: each.title })),
        },
      ].filter(({ choices }) => choices.length > 0),
    [profiles, restorePoints, imports, id, present],
  );
}

/** A source as the value of a choice, and back. */
export function keyOfSource(source: StateSource): string {
  const [kind, id] = Object.entries(source)[0] as [string, string];
  return `${kind} ${id}`;
}

export function sourceOfKey(key: string): StateSource | null {
  const [kind, id] = [key.slice(0, key.indexOf(" ")), key.slice(key.indexOf(" ") + 1)];
  return kind === "" ? null : ({ [kind]: id } as unknown as StateSource);
}
