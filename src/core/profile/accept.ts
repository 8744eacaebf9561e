import type { Edit } from "../model/edit";
import type { Entry } from "../model/profile";
import type { OrderResult } from "../model/problem";
import { explainMoves, propose, type Move, type Proposal } from "../order/propose";
import { pluginProblem } from "./plugin-problem";
import type { Roster } from "./roster";
import { label } from "./steps";

/** A proposal as plain data, so that it can cross to and from a worker. */
export interface PluginProposal {
  readonly result: OrderResult;
  readonly moves: readonly Move[];
  /** The order that the proposal comes to, with the section in which each item then stands. */
  readonly entries: readonly Entry[];
}

export function proposePlugins(roster: Roster): PluginProposal {
  const proposal = propose(pluginProblem(roster));
  return {
    result: proposal.result,
    moves: explainMoves(proposal),
    entries: seatInSections(roster, proposal),
  };
}

/**
 * Where each item stands: in its effective section; one that takes no part in sections joins the item before it.
 * An item raised out of the section that it belongs to remembers that one as its home.
 */
function seatInSections(roster: Roster, { result, constraints }: Proposal): Entry[] {
  const { sections } = roster.profile.state.plugins;
  let reached = 0;
  return result.order.map((id) => {
    const plugin = roster.pluginOf.get(id)!;
    const firstOfRank = sections.findIndex((section) => section.rank === plugin.rank.id);
    const effective = constraints.effective[constraints.problem.placeOf.get(id)!]!;
    reached = Math.max(reached, firstOfRank, effective);
    const section = sections[reached]?.id ?? null;
    const belongs = plugin.entry.home ?? plugin.entry.section;
    const entry: Entry = { id, on: plugin.entry.on, section };
    if (effective >= 0 && belongs !== null && belongs !== section) entry.home = belongs;
    return entry;
  });
}

/** Null where the proposal changes nothing. */
export const acceptEdit = (roster: Roster, { entries, moves }: PluginProposal): Edit | null =>
  arrangeEdit(roster, entries, moves.length);

/** Another order of the same plugins, taken over from a proposal; null where it is the present one. */
export function arrangeEdit(roster: Roster, entries: readonly Entry[], moves: number): Edit | null {
  const present = roster.profile.state.plugins.entries;
  const same = (entry: Entry, at: number) =>
    entry.id === present[at]!.id &&
    entry.section === present[at]!.section &&
    entry.home === present[at]!.home;
  if (entries.every(same)) return null;
  return {
    label: label("accept", { moves }),
    steps: [{ kind: "arrange", list: "plugins", entries: [...entries] }],
    restorePoint: "Before an accepted proposal",
  };
}
