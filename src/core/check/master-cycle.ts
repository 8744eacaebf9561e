import { plugin as subject, type Check } from "./check";
import { switchOff } from "./fixes";

/** Plugins that need one another in a circle, or one that needs itself: no order can please them. */
export const masterCycle: Check = {
  reads: ["plugins", "ties"],
  find: ({ roster, ties }) =>
    ties.plugins.constraints.cycles
      .filter(({ links }) => links.every((link) => roster.pluginOf.get(link.before)!.loads))
      .map(({ items, links }) => ({
        check: "master-cycle",
        ...(links.length === 1
          ? { id: "master-self" as const, data: { item: links[0]!.before } }
          : { id: "master-cycle" as const, data: { items: links.map((link) => link.before) } }),
        level: "blocker",
        subjects: items.map(subject),
        fixes: links.map((link) => switchOff("plugins", link.before)),
      })),
};
