import type { OrderRule } from "../model/problem";
import { isSameRule } from "../order/rule-items";
import type { Roster, SeatedPlugin } from "./roster";

/**
 * What can be remembered of the place that items have just been given: by their neighbours, by the end of their section
 * where they stand there, and that several stay together. Rules that are there already are not offered again.
 */
export function rulesToRemember(roster: Roster, ids: readonly string[]): OrderRule[] {
  const block = roster.plugins.filter((plugin) => ids.includes(plugin.id));
  const [first, last] = [block[0], block.at(-1)];
  if (!first || !last) return [];
  const offered: OrderRule[] = [];
  const [above, below] = [roster.plugins[first.place - 1], roster.plugins[last.place + 1]];
  if (isPartner(above, first))
    offered.push({ kind: "after", item: first.id, other: above.id, strength: "prefer" });
  if (isPartner(below, last))
    offered.push({ kind: "before", item: last.id, other: below.id, strength: "prefer" });
  const inSection = (plugin: SeatedPlugin | undefined) => plugin?.entry.section === first.entry.section;
  if (block.length === 1 && !inSection(below))
    offered.push({ kind: "last", item: last.id, within: "section", strength: "prefer" });
  if (block.length === 1 && !inSection(above))
    offered.push({ kind: "first", item: first.id, within: "section", strength: "prefer" });
  if (block.length > 1)
    offered.push({ kind: "together", items: block.map((plugin) => plugin.id), strength: "prefer" });
  const known = roster.profile.state.rules;
  return offered.filter((rule) => !known.some((each) => isSameRule(each.rule, rule)));
}

const isPartner = (neighbour: SeatedPlugin | undefined, own: SeatedPlugin): neighbour is SeatedPlugin =>
  neighbour !== undefined && !neighbour.fixed && neighbour.rank.id === own.rank.id;

/** Partners for a rule, those that change the same records first, the more they share; then all others in order. */
export function partnersFor(roster: Roster, id: string): { plugin: SeatedPlugin; shared: number }[] {
  const shared = new Map<string, number>();
  for (const { broader, narrower, shared: count } of roster.stock.overlaps) {
    if (broader === id) shared.set(narrower, count);
    if (narrower === id) shared.set(broader, count);
  }
  return roster.plugins
    .filter((plugin) => plugin.id !== id && !plugin.fixed)
    .map((plugin) => ({ plugin, shared: shared.get(plugin.id) ?? 0 }))
    .sort((a, b) => b.shared - a.shared || a.plugin.place - b.plugin.place);
}
