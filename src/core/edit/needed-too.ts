import type { Edit, Step } from "../model/edit";
import type { PluginId } from "../model/ids";
import type { ShelfMod } from "../model/shelf";
import { foldName } from "../roster/fold";
import { mastersOf, requiredOf, type Need } from "../roster/needs";
import type { Roster } from "../roster/roster";
import { pluginsTaken } from "./arrivals";
import { switchMods } from "./edits";
import { expansionEdit } from "./settings";
import { label } from "./steps";

/** What mods need, and what that needs, to work once they are on. */
export interface NeededToo {
  /** Mods of the profile or the shelf that are not on. */
  readonly mods: readonly ShelfMod[];
  /** Plugins of the profile that are off by themselves. */
  readonly plugins: readonly PluginId[];
  /** Ids of expansions that are owned and off. */
  readonly expansions: readonly string[];
  /** Names of what nothing here brings, or brings in the right version. */
  readonly missing: readonly string[];
  /** Names of two mods that would both be on, of which one says that it cannot stand the other. */
  readonly clashes: readonly (readonly [string, string])[];
}

/** Of mods that are, or are to be, switched on in the profile, and of plugins that come on with them. */
export function neededToo(
  roster: Roster,
  wanted: readonly ShelfMod[],
  withPlugins: readonly PluginId[] = [],
): NeededToo {
  const { modOf, profile, stock } = roster;
  const coming = new Map<string, ShelfMod>();
  const plugins = new Set(withPlugins);
  const expansions = new Set<string>();
  const missing = new Set<string>();
  const come = (mod: ShelfMod) => {
    if (!coming.has(mod.id)) coming.set(mod.id, modOf.get(mod.id)?.mod ?? mod);
  };
  const meet = ({ name, standing, mod, plugin }: Need) => {
    if (standing === "on") return;
    if (!mod || standing === "missing" || standing === "other-version") return void missing.add(name);
    come(mod);
    if (plugin && !roster.pluginOf.get(plugin)!.entry.on) plugins.add(plugin);
  };
  wanted.forEach(come);
  // Both grow while they are walked.
  const walked = new Set<PluginId>();
  for (const mod of coming.values()) {
    for (const need of requiredOf(roster, mod)) meet(need);
    for (const need of mastersOf(roster, loadingPlugins(roster, mod), mod.plugins)) meet(need);
    for (const id of mod.manifest?.expansions ?? [])
      if (!profile.state.expansions.includes(id)) {
        if (stock.owned.includes(id)) expansions.add(id);
        else missing.add(roster.game.expansions.find((each) => each.id === id)?.name ?? id);
      }
    for (const id of plugins) {
      if (walked.has(id)) continue;
      walked.add(id);
      const { file, mod: of } = roster.pluginOf.get(id)!;
      if (file) for (const need of mastersOf(roster, [file], of?.mod?.plugins ?? [])) meet(need);
    }
  }
  const asked = new Set(wanted.map(({ id }) => id));
  const off = [...coming.values()].filter(({ id }) => !modOf.get(id)?.loads);
  return {
    mods: off.filter(({ id }) => !asked.has(id)),
    plugins: [...plugins].filter((id) => !withPlugins.includes(id)),
    expansions: [...expansions],
    missing: [...missing],
    clashes: clashesOf(roster, [...wanted, ...off]),
  };
}

/** Those of a mod that load once it is on: that are on by themselves, or come with it into the profile. */
function loadingPlugins({ game, profile, idOfName, pluginOf }: Roster, mod: ShelfMod): ShelfMod["plugins"] {
  return pluginsTaken(profile.state, mod).filter(({ name }) => {
    const id = idOfName.get(foldName(game, name));
    return id === undefined || pluginOf.get(id)!.entry.on;
  });
}

function clashesOf(roster: Roster, coming: readonly ShelfMod[]): [string, string][] {
  const on = new Map(
    roster.mods.flatMap(({ id, loads, mod }) => (loads && mod ? [[id as string, mod]] : [])),
  );
  for (const mod of coming) on.set(mod.id, mod);
  const isComing = new Set<string>(coming.map(({ id }) => id));
  return [...on.values()].flatMap((mod) =>
    (mod.manifest?.clashes ?? []).flatMap(({ mod: id }): [string, string][] => {
      const other = on.get(id);
      return other && (isComing.has(mod.id) || isComing.has(id)) ? [[mod.name, other.name]] : [];
    }),
  );
}

/** How many there are to be switched on; a mod with a plugin of its own is one. */
export function countNeeded({ pluginOf }: Roster, { mods, plugins, expansions }: NeededToo): number {
  const ids = new Set(mods.map(({ id }) => id));
  const alone = plugins.filter((id) => !ids.has(pluginOf.get(id)!.mod!.id));
  return mods.length + alone.length + expansions.length;
}

/** Switches mods on, and plugins of theirs, together with what they need; null where nothing changes. */
export function switchOnWithNeeds(
  roster: Roster,
  wanted: readonly ShelfMod[],
  withPlugins: readonly PluginId[] = [],
): Edit | null {
  const { mods, plugins: needed, expansions } = neededToo(roster, wanted, withPlugins);
  const plugins = [...withPlugins.filter((id) => !roster.pluginOf.get(id)!.entry.on), ...needed];
  const all = [...wanted, ...mods];
  const steps: Step[] = [
    ...expansions.flatMap((id) => expansionEdit(roster, id, true)?.steps ?? []),
    ...(switchMods(roster, all, true)?.steps ?? []),
  ];
  if (plugins.length > 0) steps.push({ kind: "switch", list: "plugins", ids: plugins, on: true });
  if (steps.length === 0) return null;
  return { label: label("switch-on", { item: all[0]!.name, count: all.length }), steps };
}
