import { useEffect, useMemo, useState } from "react";
import { say } from "@/core/language/say";
import type { ProfileState } from "@/core/model/profile";
import type { Tied } from "@/core/compare/rosters";
import { overlapsOf } from "@/core/order/overlap";
import { makeRoster, type Roster } from "@/core/roster/roster";
import type { Ties } from "@/core/roster/ties";
import type { StateSource } from "@/server/operations/profiles";
import type { WorkspaceView } from "@/server/views/workspace";
import { readStateOf } from "../workspace/server";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** The roster of another state of the game; null while it is read, or where it is not there any more. */
export function useOther(source: StateSource): Roster | null {
  const { unwrap } = useWorkspace();
  const { game, stock } = useEditor((state) => state.view);
  const profile = useEditor((state) => state.view.profile);
  const [state, setState] = useState<ProfileState | null>(null);
  useEffect(() => {
    let wanted = true;
    void readStateOf(source).then((outcome) => wanted && setState(unwrap(outcome)));
    return () => {
      wanted = false;
    };
  }, [source, unwrap]);
  return useMemo(
    () => (state ? makeRoster(game, { ...profile, state }, stock) : null),
    [state, game, profile, stock],
  );
}

export function nameOfSource(
  { profiles, restorePoints, imports }: WorkspaceView,
  source: StateSource,
): string {
  if ("profile" in source) return profiles.find((each) => each.id === source.profile)?.name ?? "";
  if ("edit" in source) return say("sides.moment");
  if ("point" in source) return restorePoints.find((each) => each.id === source.point)?.name ?? "";
  return imports.find((each) => each.id === source.lineup)?.title ?? "";
}

/** Pairs whose order means something: those that a tie joins, and those that bring the same files or records. */
export function tiedPairs({ overlaps }: Roster, ties: Ties): Tied {
  const pairs = (list: keyof Ties) => [
    ...ties[list].all.map(({ earlier, later }) => [earlier, later] as const),
    ...Array.from(overlapsOf(overlaps[list]), ({ broader, narrower }) => [broader, narrower] as const),
  ];
  return { mods: pairs("mods"), plugins: pairs("plugins") };
}
