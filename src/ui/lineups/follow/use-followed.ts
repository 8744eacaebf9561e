import { useMemo } from "react";
import { compareFacts, type SetupDifference } from "@/core/lineup/compare";
import { factsOfLineup, factsHere, fingerprintOf, type FingerprintFacts } from "@/core/lineup/fingerprint";
import { stateFromLineup } from "@/core/lineup/match";
import type { Lineup } from "@/core/model/lineup";
import { makeRoster, type Roster } from "@/core/roster/roster";
import { useEditor } from "../../workspace/workspace.client";

export interface Followed {
  readonly lineup: Lineup;
  /** As the list gives it on this shelf, without anything of one's own. */
  readonly pure: Roster;
}

interface Proved {
  /** The fingerprint of the profile as it is now. */
  readonly here: string;
  /** In what the setup behaves otherwise; empty exactly where the fingerprints are equal. */
  readonly differences: readonly SetupDifference[];
  readonly setups: { readonly wanted: FingerprintFacts; readonly here: FingerprintFacts };
}

/** The list that the present profile follows; null where it follows none. */
export function useFollowed(): Followed | null {
  const lineup = useEditor((state) => state.view.followed);
  const { game, stock } = useEditor((state) => state.view);
  const profile = useEditor((state) => state.view.profile);
  const pure = useMemo(
    () => lineup && makeRoster(game, { ...profile, state: stateFromLineup(game, lineup, stock) }, stock),
    [lineup, game, profile, stock],
  );
  return useMemo(() => lineup && pure && { lineup, pure }, [lineup, pure]);
}

/** How near the present profile is to the list that it follows. */
export function useProof({ lineup }: Followed): Proved {
  const roster = useEditor((state) => state.roster);
  return useMemo(() => {
    const setups = { wanted: factsOfLineup(lineup), here: factsHere(roster) };
    return {
      here: fingerprintOf(setups.here),
      differences: compareFacts(setups.wanted, setups.here),
      setups,
    };
  }, [lineup, roster]);
}
