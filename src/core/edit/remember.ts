import type { OrderRule } from "../model/problem";
import { overlapsOf } from "../order/overlap";
import { isSameRule } from "../order/rule-items";
import { listOfRule, type ListName } from "../model/profile";
import type { Roster, SeatedItem } from "../roster/roster";

/**
 * What can be remembered of the place that items have just been given: by their neighbours, by the end of their section
 * where they stand there, and that several stay together. Rules that are there already are not offered again.
 */
export function rulesToRemember(roster: Roster, list: ListName, ids: readonly string[]): OrderRule[] {
  const { items } = roster.lists[list];
  const block = items.filter((item) => ids.includes(item.id));
  const [first, last] = [block[0], block.at(-1)];
  if (!first || !last) return [];
  const offered: OrderRule[] = [];
  const [above, below] = [items[first.place - 1], items[last.place + 1]];
  if (isPartner(above, first))
    offered.push({ kind: "after", item: first.id, other: above.id, strength: "prefer" });
  if (isPartner(below, last))
    offered.push({ kind: "before", item: last.id, other: below.id, strength: "prefer" });
  const inSection = (item: SeatedItem | undefined) => item?.entry.section === first.entry.section;
  if (block.length === 1 && !inSection(below))
    offered.push({ kind: "last", item: last.id, within: "section", strength: "prefer" });
  if (block.length === 1 && !inSection(above))
    offered.push({ kind: "first", item: first.id, within: "section", strength: "prefer" });
  if (block.length > 1)
    offered.push({ kind: "together", items: block.map((item) => item.id), strength: "prefer" });
  const known = roster.profile.state.rules.filter((rule) => listOfRule(rule) === list);
  return offered.filter((rule) => !known.some((each) => isSameRule(each.rule, rule)));
}

const isPartner = (neighbour: SeatedItem | undefined, own: SeatedItem): neighbour is SeatedItem =>
  neighbour !== undefined && !neighbour.fixed && neighbour.rank.id === own.rank.id;

interface Partner {
  readonly item: SeatedItem;
  /** How many records, or of mods how many files, both change. */
  readonly shared: number;
}

/** Partners for a rule, those that change the same records or files first, the more they share; then all others in order. */
export function partnersFor(roster: Roster, list: ListName, id: string): Partner[] {
  const shared = sharedBy(roster, list, id);
  return roster.lists[list].items
    .filter((item) => item.id !== id && !item.fixed)
    .map((item) => ({ item, shared: shared.get(item.id) ?? 0 }))
    .sort((a, b) => b.shared - a.shared || a.item.place - b.item.place);
}

/** With which items of its list one shares records, or files, and how many. */
export function sharedBy(roster: Roster, list: ListName, id: string): Map<string, number> {
  const shared = new Map<string, number>();
  for (const { broader, narrower, shared: count } of overlapsOf(roster.overlaps[list], new Set([id]))) {
    if (broader === id) shared.set(narrower, count);
    if (narrower === id) shared.set(broader, count);
  }
  return shared;
}
