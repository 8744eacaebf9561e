import type { Fix } from "../model/finding";
import { foldName } from "../roster/fold";
import type { Roster } from "../roster/roster";
import { plugin as subject, type Check } from "./check";
import { switchOff, switchOnMod } from "./fixes";

/** A plugin that loads names a master that the profile does not hold: the game stops at start. */
export const missingMaster: Check = {
  reads: ["plugins", "mods", "stock", "game"],
  find: ({ roster }) =>
    roster.plugins.flatMap((plugin) => {
      if (!plugin.loads) return [];
      const missing = plugin.masters.filter((master) => master.id === null);
      return missing.map(({ name }) => {
        const { game } = roster;
        const same = (each: string) => foldName(game, each) === foldName(game, name);
        const here = bringers(roster, same);
        const expansion = game.expansions.find((each) => each.plugins.some(same));
        return {
          check: "missing-master",
          id: expansion ? "missing-expansion" : "missing-master",
          data: { item: plugin.id, master: name, expansion: expansion?.name ?? "" },
          level: "blocker" as const,
          subjects: [subject(plugin.id)],
          besides: [{ kind: "plugin" as const, id: name }],
          fixes: [...here, switchOff("plugins", plugin.id)],
          ...(!expansion && here.length === 0 && { wants: [{ kind: "plugin" as const, name }] }),
        };
      });
    }),
};

/** Mods that lie on the shelf, are not in the profile, and bring the master: it comes with them, whatever they are called. */
const bringers = (roster: Roster, same: (name: string) => boolean): Fix[] =>
  [
    ...new Set(
      roster.stock.shelf
        .filter((mod) => !mod.problem && !roster.modOf.has(mod.id))
        .filter((mod) => mod.plugins.some(({ name, part }) => part === undefined && same(name)))
        .map(({ id }) => id),
    ),
  ].flatMap((id) => switchOnMod(roster, id));
