import { say } from "../language/say";
import type { Edit } from "../model/edit";
import type { Entry, ListName } from "../model/profile";
import type { FoundOrder, SetAside, ToldChain } from "../model/problem";
import { explainMoves, propose, type Move, type Proposal } from "../order/propose";
import { tellChain } from "../order/tell-chain";
import { listProblem } from "../roster/list-problem";
import type { Roster, SeatedList } from "../roster/roster";
import { label } from "./steps";

/** What was found, with its chains as they are told: whole, all of them may be as many as there are rules, each as long as the list. */
type ToldOrder = Omit<FoundOrder, "setAside" | "cycles" | "raised"> & {
  readonly setAside: readonly { readonly rule: SetAside["rule"]; readonly because: ToldChain }[];
  readonly cycles: readonly ToldChain[];
  readonly raised: readonly Omit<FoundOrder["raised"][number], "because">[];
};

/** A proposal as plain data, so that it can cross to and from a worker. */
export interface OrderProposal {
  readonly list: ListName;
  readonly result: ToldOrder;
  readonly moves: readonly Move[];
  /** The order that the proposal comes to, with the section in which each item then stands. */
  readonly entries: readonly Entry[];
  /** Of an alignment of mods: pairs of which the plugins stand mixed, so that their order says neither. */
  readonly mixed?: readonly (readonly [string, string])[];
}

export function proposeOrder(roster: Roster, list: ListName): OrderProposal {
  return asProposal(roster, list, propose(listProblem(roster, list)));
}

/** What the engine proposes for a list, as it can be shown and accepted. */
export function asProposal(roster: Roster, list: ListName, proposal: Proposal): OrderProposal {
  return {
    list,
    result: tellOrder(proposal.result),
    moves: explainMoves(proposal),
    entries: seatInSections(roster.lists[list], proposal),
  };
}

const tellOrder = (found: FoundOrder): ToldOrder => ({
  ...found,
  setAside: found.setAside.map((each) => ({ rule: each.rule, because: tellChain(each.because) })),
  cycles: found.cycles.map(({ links }) => tellChain(links)),
  raised: found.raised.map(({ item, section, effective }) => ({ item, section, effective })),
});

/**
 * Where each item stands: in its effective section; one that takes no part in sections joins the item before it.
 * An item raised out of the section that it belongs to remembers that one as its home.
 */
function seatInSections({ sections, itemOf }: SeatedList, { result, constraints }: Proposal): Entry[] {
  let reached = 0;
  return result.order.map((id) => {
    const { rank, entry: now } = itemOf.get(id)!;
    const firstOfRank = sections.findIndex((section) => section.rank === rank.id);
    const effective = constraints.effective[constraints.problem.placeOf.get(id)!]!;
    reached = Math.max(reached, firstOfRank, effective);
    const section = sections[reached]?.id ?? now.section;
    const belongs = now.home ?? now.section;
    const { home: _, fresh: __, placed: ___, ...kept } = now;
    const entry: Entry = { ...kept, section };
    if (effective >= 0 && belongs !== section) entry.home = belongs;
    return entry;
  });
}

/** Null where the proposal changes nothing. */
export const acceptEdit = (roster: Roster, { list, entries, moves }: OrderProposal): Edit | null =>
  arrangeEdit(roster, list, entries, moves.length);

/** Another order of the same items, taken over from a proposal; null where it is the present one. */
export function arrangeEdit(
  roster: Roster,
  list: ListName,
  entries: readonly Entry[],
  moves: number,
): Edit | null {
  const present = roster.profile.state[list].entries;
  const same = (entry: Entry, at: number) =>
    entry.id === present[at]!.id &&
    entry.section === present[at]!.section &&
    entry.home === present[at]!.home;
  if (entries.every(same)) return null;
  return {
    label: label("accept", { moves }),
    steps: [{ kind: "arrange", list, entries: [...entries] }],
    restorePoint: say("edit.beforeAnAcceptedProposal"),
  };
}
