import { useMemo } from "react";
import { compareFacts, type Difference } from "@/core/lineup/compare";
import { factsOfLineup, factsOfRoster, fingerprintOf } from "@/core/lineup/fingerprint";
import { stateFromLineup } from "@/core/lineup/match";
import type { Lineup } from "@/core/model/lineup";
import { makeRoster, type Roster } from "@/core/profile/roster";
import { useEditor } from "../../workspace/workspace.client";

export interface Followed {
  readonly lineup: Lineup;
  /** As the list gives it on this shelf, without anything of one's own. */
  readonly pure: Roster;
  readonly here: string;
  /** In what the setup behaves otherwise; empty exactly where the fingerprints are equal. */
  readonly differences: readonly Difference[];
}

/** The list that the present profile follows, and how near the profile is to it; null where it follows none. */
export function useFollowed(): Followed | null {
  const lineup = useEditor((state) => state.view.followed);
  const { game, stock } = useEditor((state) => state.view);
  const profile = useEditor((state) => state.view.profile);
  const roster = useEditor((state) => state.roster);
  const pure = useMemo(
    () => lineup && makeRoster(game, { ...profile, state: stateFromLineup(game, lineup, stock) }, stock),
    [lineup, game, profile, stock],
  );
  return useMemo(() => {
    if (!lineup || !pure) return null;
    const facts = factsOfRoster(roster);
    return {
      lineup,
      pure,
      here: fingerprintOf(facts),
      differences: compareFacts(factsOfLineup(lineup), facts),
    };
  }, [lineup, pure, roster]);
}
