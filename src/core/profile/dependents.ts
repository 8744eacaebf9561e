import type { Roster, SeatedPlugin } from "./roster";

/** The plugins that load and that could not without this one, directly or by others, in load order. */
export function dependentsOf(roster: Roster, id: string): SeatedPlugin[] {
  const fallen = new Set([id]);
  let size = 0;
  while (size !== fallen.size) {
    size = fallen.size;
    for (const plugin of roster.plugins)
      if (plugin.loads && plugin.masters.some((master) => master.id !== null && fallen.has(master.id)))
        fallen.add(plugin.id);
  }
  return roster.plugins.filter((plugin) => plugin.id !== id && fallen.has(plugin.id));
}
