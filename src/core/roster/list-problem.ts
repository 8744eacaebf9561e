import type { OrderProblem, OrderRule, ProblemItem, ProblemRule } from "../model/problem";
import { listOfRule, type ListName } from "../model/profile";
import { broaderFirstRules } from "../order/broader-first";
import { overlapsOf } from "../order/overlap";
import { withBookRules } from "./books";
import { foldName } from "./fold";
import type { Roster, SeatedItem } from "./roster";

/**
 * One of a profile's orders as an ordering problem: what the items need, load ranks, the sections that they belong to,
 * the curator's rules, and for plugins the fixed order of what is built in. What is needed and is not in the profile
 * keeps its name, and so is reported as missing.
 */
export function listProblem(roster: Roster, name: ListName): OrderProblem {
  const list = roster.lists[name];
  const sectionRank = new Map(list.sections.map((section) => [section.id, section.rank]));
  return {
    format: "seating-order-problem/1",
    items: list.items.map((item) => problemItem(item, sectionRank)),
    classes: list.ranks.map((rank) => rank.id),
    sections: list.sections.map((section) => section.id),
    rules: name === "mods" ? withBookRules(roster, name, ownRules(roster, name)) : pluginRules(roster),
  };
}

/** Of a plugin its masters, of a mod the mods that it requires: by id, or by name where they are not here. */
export function needsOf(item: SeatedItem): string[] {
  if (item.list === "plugins") return item.masters.map((master) => master.id ?? master.name);
  return [...new Set((item.mod?.manifest?.requires ?? []).map((each) => each.mod))];
}

const ownRules = ({ profile }: Roster, name: ListName): OrderRule[] =>
  profile.state.rules
    .filter((rule) => !rule.off && listOfRule(rule) === name)
    .map(({ id, rule }) => ({ ...rule, id }));

const pluginRules = (roster: Roster): ProblemRule[] => [
  ...builtInRules(roster),
  ...withBookRules(roster, "plugins", ownRules(roster, "plugins")),
  ...breadthRules(roster),
];

/** Without a section where the item stands in one of another rank: it then takes the place that its rank gives it. */
function problemItem(item: SeatedItem, sectionRank: ReadonlyMap<string, string>): ProblemItem {
  const { id, entry, rank } = item;
  const section = entry.home ?? entry.section;
  return {
    id,
    class: rank.id,
    needs: needsOf(item),
    ...(sectionRank.get(section) === rank.id && { section }),
    ...(entry.placed && { placed: true }),
  };
}

/** For plugins that nobody has placed yet, unless the profile does without. */
function breadthRules({ profile, overlaps, pluginOf }: Roster): ProblemRule[] {
  if (profile.state.broaderFirst === false) return [];
  const fresh = new Set<string>(
    profile.state.plugins.entries.flatMap((entry) => (entry.fresh ? entry.id : [])),
  );
  if (fresh.size === 0) return [];
  const here = [...overlapsOf(overlaps.plugins, fresh)].filter(
    ({ broader, narrower }) => pluginOf.has(broader) && pluginOf.has(narrower),
  );
  return broaderFirstRules(here, (id) => fresh.has(id));
}

function builtInRules({ game, pluginOf, idOfName }: Roster): ProblemRule[] {
  const names = [...game.builtIn, ...game.expansions.flatMap((expansion) => expansion.plugins)];
  const present = names
    .map((name) => idOfName.get(foldName(game, name)))
    .filter((id) => id !== undefined && pluginOf.get(id)?.fixed);
  return present.slice(1).map((id, at) => ({
    id: `built-in:${at + 1}`,
    source: { kind: "built-in" },
    kind: "after",
    item: id!,
    other: present[at]!,
    strength: "must",
  }));
}
