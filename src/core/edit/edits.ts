import type { Edit, Step } from "../model/edit";
import type { ItemId } from "../model/ids";
import type { ListName } from "../model/profile";
import type { ShelfMod } from "../model/shelf";
import { advisedSections } from "../roster/advised-sections";
import { addAbsentMods, addAbsentPlugins, arrivalSteps, type Homes } from "./arrivals";
import { foldName } from "../roster/fold";
import type { Roster, SeatedItem, SeatedPlugin } from "../roster/roster";
import { label } from "./steps";

/** Switches a plugin on, and its mod with it, for a plugin whose mod is off does not load. */
function switchOnSteps(plugin: SeatedPlugin): Step[] {
  const steps: Step[] = [];
  if (plugin.mod && !plugin.mod.loads)
    steps.push({ kind: "switch", list: "mods", ids: [plugin.mod.id], on: true });
  if (!plugin.entry.on) steps.push({ kind: "switch", list: "plugins", ids: [plugin.id], on: true });
  return steps;
}

/** Switches plugins; one whose mod is off takes its mod with it when it goes on. Null where nothing changes. */
export function switchPlugins(roster: Roster, ids: readonly string[], on: boolean): Edit | null {
  const targets = ids
    .map((id) => roster.pluginOf.get(id))
    .filter((plugin) => plugin !== undefined && !plugin.fixed && plugin.loads !== on);
  const steps = targets.flatMap((plugin): Step[] =>
    on ? switchOnSteps(plugin!) : [{ kind: "switch", list: "plugins", ids: [plugin!.id], on: false }],
  );
  return switchEdit(
    steps,
    targets.map((plugin) => plugin!.id),
    on,
  );
}

/**
 * Switches mods that lie on the shelf. One that goes on and is not in the profile yet is added with its plugins, each at
 * the end of its section, switched on.
 */
export function switchMods(roster: Roster, mods: readonly ShelfMod[], on: boolean): Edit | null {
  const present = mods.filter((mod) => roster.modOf.has(mod.id));
  const turned = present.filter((mod) => roster.modOf.get(mod.id)!.loads !== on).map((mod) => mod.id);
  const steps: Step[] = turned.length > 0 ? [{ kind: "switch", list: "mods", ids: turned, on }] : [];
  const added = on ? mods.filter((mod) => !roster.modOf.has(mod.id) && !mod.problem) : [];
  steps.push(...addSteps(roster, added, true));
  const named = mods.filter((mod) => turned.includes(mod.id) || added.includes(mod)).map((mod) => mod.name);
  return switchEdit(steps, named, on);
}

function switchEdit(steps: Step[], names: readonly string[], on: boolean): Edit | null {
  if (steps.length === 0) return null;
  return {
    label: label(on ? "switch-on" : "switch-off", { item: names[0] ?? "", count: names.length }),
    steps,
  };
}

/** Adds mods that are not in the profile yet, switched off until they are chosen; their plugins load as soon as they are on. */
export function addMods(roster: Roster, mods: readonly ShelfMod[], homes?: Homes): Edit | null {
  const added = mods.filter((mod) => !roster.modOf.has(mod.id) && !mod.problem);
  const steps = addSteps(roster, added, false, homes);
  if (steps.length === 0) return null;
  return { label: label("add", { item: added[0]!.name, count: added.length }), steps };
}

function addSteps(roster: Roster, mods: readonly ShelfMod[], on: boolean, chosen: Homes = new Map()): Step[] {
  if (mods.length === 0) return [];
  const { game, profile } = roster;
  const { state } = profile;
  const homes = new Map([...advisedSections(roster, mods), ...chosen]);
  return [
    ...arrivalSteps("mods", state, addAbsentMods(state, mods, on, homes)),
    ...arrivalSteps("plugins", state, addAbsentPlugins(game, state, mods, true, homes)),
  ];
}

/** Takes mods out of the profile together with the plugins that only they supply. */
export function dropMods(roster: Roster, ids: readonly string[]): Edit | null {
  const present = ids.flatMap((id) => roster.modOf.get(id)?.id ?? []);
  if (present.length === 0) return null;
  const staying = roster.mods
    .filter((mod) => !present.includes(mod.id))
    .flatMap((mod) => mod.mod?.plugins ?? []);
  const supplied = new Set(staying.map((file) => foldName(roster.game, file.name)));
  const plugins = roster.plugins.filter(
    ({ id, mod }) => mod && present.includes(mod.id) && !supplied.has(foldName(roster.game, id)),
  );
  const drop = (list: ListName, gone: ItemId[]): Step[] =>
    gone.length > 0 ? [{ kind: "drop", list, ids: gone }] : [];
  return {
    label: label("drop", {
      item: roster.modOf.get(present[0]!)!.mod?.name ?? present[0]!,
      count: present.length,
    }),
    steps: [
      ...drop(
        "plugins",
        plugins.map((plugin) => plugin.id),
      ),
      ...drop("mods", present),
    ],
  };
}

/** Takes in plugins that mods of the profile have come to hold since; they arrive switched off. Null if there are none. */
export function arrivalsEdit(roster: Roster): Edit | null {
  const { game, profile } = roster;
  const mods = roster.mods.map((each) => each.mod).filter((mod) => mod !== null);
  const next = addAbsentPlugins(game, profile.state, mods, false, advisedSections(roster, mods));
  const steps = arrivalSteps("plugins", profile.state, next);
  return steps.length === 0 ? null : { label: label("arrivals", { count: steps.length }), steps };
}

/** Switches items of the list that they are of; null where nothing changes. */
export function switchItems(roster: Roster, items: readonly SeatedItem[], on: boolean): Edit | null {
  const [first] = items;
  if (!first) return null;
  if (first.list === "plugins")
    return switchPlugins(
      roster,
      items.map((item) => item.id),
      on,
    );
  const ids = items.filter((item) => item.loads !== on).map((item) => item.id);
  return switchEdit(ids.length > 0 ? [{ kind: "switch", list: "mods", ids, on }] : [], ids, on);
}
