import { useMemo } from "react";
import { stateOfList } from "@/core/lineup/state-of-list";
import { verdictOf, type Verdict } from "@/core/lineup/verdict";
import type { Claim } from "@/core/model/claim";
import type { Lineup } from "@/core/model/lineup";
import { makeRoster, type Roster } from "@/core/roster/roster";
import { useEditor } from "../../workspace/workspace.client";

export interface Followed {
  readonly lineup: Lineup;
  readonly claim: Claim;
  /** As the list gives it on this shelf, without anything of one's own. */
  readonly pure: Roster;
}

/** The list that the present profile follows; null where it follows none. */
export function useFollowed(): Followed | null {
  const list = useEditor((state) => state.view.followed);
  const { game, stock } = useEditor((state) => state.view);
  const profile = useEditor((state) => state.view.profile);
  const pure = useMemo(
    () => list && makeRoster(game, { ...profile, state: stateOfList(game, list, stock) }, stock),
    [list, game, profile, stock],
  );
  return useMemo(() => list && pure && { ...list, pure }, [list, pure]);
}

/** Whether the present profile is the setup of the list that it follows. */
export function useVerdict({ lineup, claim }: Pick<Followed, "lineup" | "claim">): Verdict {
  const roster = useEditor((state) => state.roster);
  return useMemo(() => verdictOf(lineup, claim, roster), [lineup, claim, roster]);
}
