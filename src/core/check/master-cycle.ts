import { plugin as subject, type Check } from "./check";
import { switchOff } from "./fixes";

/** Plugins that need one another in a circle: no order can please them all. */
export const masterCycle: Check = ({ roster, ties }) =>
  ties.plugins.constraints.cycles
    .filter(({ links }) => links.every((link) => roster.pluginOf.get(link.before)!.loads))
    .map(({ items, links }) => ({
      check: "master-cycle",
      id: "master-cycle",
      data: { items: links.map((link) => link.before) },
      level: "blocker",
      subjects: items.map(subject),
      fixes: links.map((link) => switchOff(roster.pluginOf.get(link.before)!.id)),
    }));
