import type { ListName } from "../model/profile";
import type { Roster } from "./roster";

/** Of items of one list what belongs to them in the other: the plugins of mods, the mods of plugins; in its order. */
export function counterparts(roster: Roster, to: ListName, ids: readonly string[]): string[] {
  const wanted = new Set(ids);
  if (to === "plugins")
    return roster.plugins.filter((plugin) => plugin.mod && wanted.has(plugin.mod.id)).map(({ id }) => id);
  const mods = new Set(ids.map((id) => roster.pluginOf.get(id)?.mod?.id));
  return roster.mods.filter((mod) => mods.has(mod.id)).map(({ id }) => id);
}
