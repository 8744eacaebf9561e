import { foldName } from "../roster/fold";
import { plugin as subject, type Check } from "./check";
import { switchOff } from "./fixes";

/** A plugin that loads names a master that the profile does not hold: the game stops at start. */
export const missingMaster: Check = ({ roster }) =>
  roster.plugins.flatMap((plugin) => {
    if (!plugin.loads) return [];
    const missing = plugin.masters.filter((master) => master.id === null);
    return missing.map(({ name }) => {
      const { game } = roster;
      const same = (each: string) => foldName(game, each) === foldName(game, name);
      const expansion = game.expansions.find((each) => each.plugins.some(same));
      return {
        check: "missing-master",
        id: expansion ? "missing-expansion" : "missing-master",
        data: { item: plugin.id, master: name, expansion: expansion?.name ?? "" },
        level: "blocker" as const,
        subjects: [subject(plugin.id)],
        fixes: [switchOff(plugin.id)],
      };
    });
  });
