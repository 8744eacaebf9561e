import canonicalize from "canonicalize";
import { recipeOf, type BlendRecipe } from "../blend/decisions";
import { withBookMarks } from "../blend/marks";
import { blendChoiceKey } from "../model/additive-list";
import { say } from "../language/say";
import type { Edit, Step } from "../model/edit";
import type { RuleId } from "../model/ids";
import type { ShelfMod } from "../model/shelf";
import type { Roster } from "../roster/roster";
import { dropMods, switchItems, switchMods } from "./edits";
import { rosterAfter } from "./roster-after";
import { label } from "./steps";
import { versionEdit } from "./versions";

/** The rule by which a blend loads behind all others; one that is known keeps its id. */
const blendRule = "blend-last" as RuleId;

/**
 * Takes a blend that was just made into a profile, or its new contents where it is there: on, and last by a must rule. `mod` is null
 * where nothing had to be blended: then the one that is there goes off. Null where nothing changes. `today` in ISO 8601.
 */
export function takeBlend(
  roster: Roster,
  recipe: BlendRecipe,
  mod: ShelfMod | null,
  today: string,
): Edit | null {
  const steps = mod ? stepsFor(roster, mod, today) : offSteps(roster, recipe.mod);
  const told = withBookMarks(roster, recipe);
  if (canonicalize(told) !== canonicalize(recipeOf(roster.profile.state)))
    steps.push({ kind: "decide", facet: "blend", key: blendChoiceKey(recipe), item: told });
  if (steps.length === 0) return null;
  return { label: label("build-blend", { name: recipe.name }), steps };
}

/** Does without the blend of a profile: its mod leaves, and with it what was decided so that it could be there. */
export function dropBlend(roster: Roster, recipe: BlendRecipe): Edit {
  const hasRule = roster.profile.state.rules.some(({ id }) => id === blendRule);
  return {
    label: label("drop-blend", { name: recipe.name }),
    steps: [
      ...(dropMods(roster, [recipe.mod])?.steps ?? []),
      ...(hasRule ? [{ kind: "decide", facet: "rules", key: blendRule, item: null } as const] : []),
      { kind: "decide", facet: "blend", key: blendChoiceKey(recipe), item: null },
    ],
  };
}

function offSteps(roster: Roster, id: string): Step[] {
  const item = roster.modOf.get(id);
  return item ? [...(switchItems(roster, [item], false)?.steps ?? [])] : [];
}

function stepsFor(roster: Roster, mod: ShelfMod, today: string): Step[] {
  const steps: Step[] = [];
  const add = (edit: Edit | null) => steps.push(...(edit?.steps ?? []));
  const item = roster.modOf.get(mod.id);
  if (item && item.entry.content !== mod.content) add(versionEdit(roster, [{ item, to: mod }]));
  add(switchMods(rosterAfter(roster, steps), [mod], true));
  const [file] = mod.plugins;
  if (!file) return steps;
  const plugin = rosterAfter(roster, steps).pluginOf.get(file.name);
  if (plugin && !plugin.entry.on) steps.push({ kind: "switch", list: "plugins", ids: [plugin.id], on: true });
  steps.push(...atTheEnd(rosterAfter(roster, steps), file.name), ...lastByRule(roster, file.name, today));
  return steps;
}

/** Into the last section of its rank that takes more, behind all that stands there. */
function atTheEnd({ plugins, pluginOf, lists }: Roster, name: string): Step[] {
  const plugin = pluginOf.get(name);
  if (!plugin) return [];
  const section = lists.plugins.sections.findLast(({ rank, closed }) => rank === plugin.rank.id && !closed);
  if (!section) return [];
  const next = plugins.slice(plugin.place + 1).find((other) => other.rank.id !== plugin.rank.id);
  const behind = plugins.filter((other) => other.rank.id === plugin.rank.id).at(-1);
  if (behind === plugin) return [];
  const { fresh: _, ...entry } = plugin.entry;
  return [
    { kind: "put", list: "plugins", entries: [{ ...entry, section: section.id }], before: next?.id ?? null },
  ];
}

function lastByRule({ profile }: Roster, item: string, today: string): Step[] {
  const known = profile.state.rules.find(({ id }) => id === blendRule);
  const rule = { kind: "last" as const, item, within: "list" as const, strength: "must" as const };
  if (known && JSON.stringify(known.rule) === JSON.stringify(rule) && !known.off) return [];
  const next = { id: blendRule, rule, note: say("blend.ruleNote"), made: known?.made ?? today };
  return [{ kind: "decide", facet: "rules", key: blendRule, item: next, before: null }];
}
