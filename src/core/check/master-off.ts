import { wantOfMod } from "../depot/offers";
import type { Want } from "../model/want";
import { plugin as subject, type Check } from "./check";
import type { SeatedPlugin } from "../roster/roster";
import { bringBack, switchOff, switchOn } from "./fixes";

const whyOff = ({ mod, entry, withheld }: SeatedPlugin) => {
  if (!mod) return "gone";
  if (!entry.on) return "off";
  if (!mod.loads) return "mod-off";
  if (withheld === "gone") return "gone";
  return withheld === "part" ? "part-off" : "left-out";
};

const wantOf = ({ id, mod }: SeatedPlugin): Want => (mod ? wantOfMod(mod) : { kind: "plugin", name: id });

/** A plugin that loads has a master in the profile that does not: it is off, or its mod is, or it is not on the shelf. */
export const masterOff: Check = {
  reads: ["plugins"],
  find: ({ roster }) =>
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
          fixes: [
            ...(why === "off" || why === "mod-off" ? [switchOn(master.id)] : []),
            ...(why === "left-out" ? [bringBack(master.id)] : []),
            switchOff("plugins", plugin.id),
          ],
          ...(why === "gone" && { wants: [wantOf(master)] }),
        };
      });
    }),
};
