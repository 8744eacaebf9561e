import type { ListName } from "../model/profile";
import type { Roster } from "../roster/roster";
import { ordersDisagree, type TwoWinners } from "../roster/two-orders";
import { Chains } from "./chains";

/** Why a list keeps two as they stand, so that it cannot be aligned with the other: their sections, or a chain of needs and rules. */
export type Unaligned = "section" | "tie";

export interface TwoWinnersTold extends TwoWinners {
  /** Null where the list can be aligned. */
  readonly held: Readonly<Record<ListName, Unaligned | null>>;
}

/** Every two of which files and records name different winners, with what keeps either order from giving way. */
export function twoWinners(roster: Roster): TwoWinnersTold[] {
  const chains = { mods: new Chains(roster, "mods"), plugins: new Chains(roster, "plugins") };
  return ordersDisagree(roster).map((pair) => {
    const joined = {
      mods: chains.mods.isDecided(...pair.byMods),
      plugins: pair.meeting.in === "records" && chains.plugins.isDecided(...pair.meeting.items),
    };
    const held = (list: ListName): Unaligned | null =>
      !pair.alignable.includes(list) ? "section" : joined[list] ? "tie" : null;
    return { ...pair, held: { mods: held("mods"), plugins: held("plugins") } };
  });
}
