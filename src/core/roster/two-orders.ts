import type { OrderRule } from "../model/problem";
import { listOfRule, type ListName } from "../model/profile";
import { isSameRule } from "../order/rule-items";
import { findDisagreements, proposeAlignment, type Disagreement, type TwoOrders } from "../order/align";
import { asProposal, type OrderProposal } from "../edit/accept";
import { listProblem } from "./list-problem";
import type { Roster } from "./roster";

/** The orders of what loads, and where items meet. */
function twoOrders(roster: Roster): TwoOrders {
  const { mods, plugins, pluginOf, overlaps } = roster;
  return {
    mods: mods.filter((mod) => mod.loads).map((mod) => mod.id),
    plugins: plugins.filter((plugin) => plugin.loads).map((plugin) => plugin.id),
    modOf: (id) => pluginOf.get(id)?.mod?.id ?? null,
    meetings: { files: overlaps.mods, records: overlaps.plugins },
  };
}

/** Two mods that meet: the one loads later by the mods' order, while its plugin loads earlier. */
export interface TwoWinners extends Disagreement {
  /** The lists in which the two are of one section, so that moving one of them can end it. */
  readonly alignable: readonly ListName[];
  /** Why the curator wants it so; null where nobody has said. */
  readonly accepted: string | null;
}

/** Mixed pairs, of which the plugins' order says neither, are left out. */
export const ordersDisagree = (roster: Roster): TwoWinners[] =>
  findDisagreements(twoOrders(roster))
    .filter(({ byPlugins }) => byPlugins !== null)
    .map((pair) => ({
      ...pair,
      alignable: alignableLists(roster, pair),
      accepted: acceptedBecause(roster, pair),
    }));

/** What accepts it: a rule with a reason for just that pair, of the mods, and where it is about records also of their plugins. */
export function acceptingRules({
  meeting,
  byMods: [earlier, later],
}: Pick<Disagreement, "meeting" | "byMods">): { readonly list: ListName; readonly rule: PairRule }[] {
  const after = (item: string, other: string): PairRule => ({ kind: "after", item, other, strength: "must" });
  const ofMods = { list: "mods" as const, rule: after(later, earlier) };
  if (meeting.in === "files") return [ofMods];
  const [first, second] = meeting.items;
  return [ofMods, { list: "plugins", rule: after(second, first) }];
}

type PairRule = Extract<OrderRule, { readonly other: string }>;

function acceptedBecause({ profile }: Roster, pair: Disagreement): string | null {
  const notes = acceptingRules(pair).map(({ list, rule }) =>
    profile.state.rules.find(
      (each) => !each.off && each.note !== "" && listOfRule(each) === list && isSamePair(each.rule, rule),
    ),
  );
  return notes.every((rule) => rule !== undefined) ? notes[0]!.note : null;
}

const isSamePair = (rule: OrderRule, pair: PairRule): boolean =>
  isSameRule(rule, pair) || isSameRule(rule, { ...pair, item: pair.other, other: pair.item });

function alignableLists({ lists }: Roster, { meeting, byMods }: Disagreement): ListName[] {
  const sectionOf = (list: ListName, id: string) => {
    const { home, section } = lists[list].itemOf.get(id)!.entry;
    return home ?? section;
  };
  const isOne = (list: ListName, [a, b]: readonly [string, string]) =>
    sectionOf(list, a) === sectionOf(list, b);
  const byFiles = meeting.in === "files";
  return [
    ...(isOne("mods", byMods) ? (["mods"] as const) : []),
    ...(byFiles || isOne("plugins", meeting.items) ? (["plugins"] as const) : []),
  ];
}

/** The fewest moves of one order that make it agree with the other. */
export function alignOrder(roster: Roster, list: ListName): OrderProposal {
  const orders = twoOrders(roster);
  const proposal = asProposal(roster, list, proposeAlignment(listProblem(roster, list), list, orders));
  return list === "mods" ? { ...proposal, mixed: mixedPairs(orders) } : proposal;
}

/** Each pair once, in the order of the mods, whatever it is that they meet in. */
function mixedPairs(orders: TwoOrders): Disagreement["byMods"][] {
  const mixed = findDisagreements(orders).filter(({ byPlugins }) => byPlugins === null);
  return [...new Map(mixed.map(({ byMods }) => [byMods.join("\u0000"), byMods])).values()];
}
