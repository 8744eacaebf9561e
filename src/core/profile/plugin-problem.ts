import type { OrderProblem, OrderRule, ProblemItem } from "../model/problem";
import { broaderFirstRules } from "../order/broader-first";
import { withBookRules } from "./books";
import { foldName } from "./fold";
import type { Roster } from "./roster";

export const BUILT_IN_RULE = "built-in";

/** Ids of the rules by which the built-in plugins keep their fixed order among themselves. */
export const isBuiltInRule = (because: string) => because.startsWith(`${BUILT_IN_RULE}:`);

/**
 * The profile's plugins as an ordering problem: masters that are listed, load ranks, the sections that the items
 * belong to, the curator's rules, and the fixed order of what is built in. Masters that are not in the profile
 * keep their names, and so are reported as missing.
 */
export function pluginProblem(roster: Roster): OrderProblem {
  const { game, profile, plugins } = roster;
  return {
    format: "seating-order-problem/1",
    items: plugins.map((plugin): ProblemItem => ({
      id: plugin.id,
      class: plugin.rank.id,
      needs: plugin.masters.map((master) => master.id ?? master.name),
      ...sectionOf(plugin, profile.state.plugins.sections),
    })),
    classes: game.loadRanks.map((rank) => rank.id),
    sections: profile.state.plugins.sections.map((section) => section.id),
    rules: [
      ...builtInRules(roster),
      ...withBookRules(
        roster,
        profile.state.rules.filter((rule) => !rule.off).map(({ id, rule }) => ({ ...rule, id })),
      ),
      ...breadthRules(roster),
    ],
  };
}

/** Left out where the item stands in a section of another rank: it then takes the place that its rank gives it. */
function sectionOf(
  plugin: Roster["plugins"][number],
  sections: Roster["profile"]["state"]["plugins"]["sections"],
): { section?: string } {
  const id = plugin.entry.home ?? plugin.entry.section;
  const section = sections.find((each) => each.id === id);
  return section && section.rank === plugin.rank.id ? { section: section.id } : {};
}

/** For plugins that nobody has placed yet, unless the profile does without. */
function breadthRules({ game, profile, stock, pluginOf, idOfName }: Roster): OrderRule[] {
  if (profile.state.broaderFirst === false) return [];
  const idOf = (name: string) => idOfName.get(foldName(game, name));
  const overlaps = stock.overlaps.flatMap(({ broader, narrower, ...rest }) => {
    const [one, other] = [idOf(broader), idOf(narrower)];
    return one !== undefined && other !== undefined ? [{ broader: one, narrower: other, ...rest }] : [];
  });
  return broaderFirstRules(overlaps, (id) => pluginOf.get(id)!.entry.fresh === true);
}

function builtInRules({ game, plugins, idOfName }: Roster): OrderRule[] {
  const names = [...game.builtIn, ...game.expansions.flatMap((expansion) => expansion.plugins)];
  const present = names
    .map((name) => idOfName.get(foldName(game, name)))
    .filter((id) => id !== undefined && plugins.some((plugin) => plugin.id === id && plugin.fixed));
  return present.slice(1).map((id, at) => ({
    id: `${BUILT_IN_RULE}:${at + 1}`,
    kind: "after",
    item: id!,
    other: present[at]!,
    strength: "must",
  }));
}
