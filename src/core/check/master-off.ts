import { plugin as subject, type Check } from "./check";
import type { SeatedPlugin } from "../roster/roster";
import { switchOff, switchOn } from "./fixes";

const whyOff = ({ mod, entry, partOff }: SeatedPlugin): "gone" | "off" | "mod-off" | "part-off" =>
  !mod ? "gone" : !entry.on ? "off" : mod.loads && partOff ? "part-off" : "mod-off";

/** A plugin that loads has a master in the profile that does not: it is off, or its mod is, or it is not on the shelf. */
export const masterOff: Check = ({ roster }) =>
  roster.plugins.flatMap((plugin) => {
    if (!plugin.loads) return [];
    return plugin.masters.flatMap(({ id }) => {
      const master = id === null ? undefined : roster.pluginOf.get(id);
      if (!master || master.loads) return [];
      const why = whyOff(master);
      return {
        check: "master-off",
        id: `master-${why}`,
        data: { item: plugin.id, master: master.id, mod: master.mod?.mod?.name ?? "" },
        level: "blocker" as const,
        subjects: [subject(plugin.id), subject(master.id)],
        fixes: [...(master.mod && why !== "part-off" ? [switchOn(master)] : []), switchOff(plugin.id)],
      };
    });
  });
