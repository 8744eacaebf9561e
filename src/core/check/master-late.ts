import { plugin as subject, type Check } from "./check";
import { proposeOrder } from "./fixes";

/** A plugin that loads stands before one of its masters. */
export const masterLate: Check = {
  reads: ["plugins"],
  find: ({ roster }) =>
    roster.plugins.flatMap((plugin) =>
      plugin.masters.flatMap(({ id }) => {
        const master = id === null ? undefined : roster.pluginOf.get(id);
        // One that is its own master stands in a circle, and is told of as one.
        if (!master?.loads || !plugin.loads || master.place <= plugin.place) return [];
        // What is built in loads before everything else, in an order of its own, wherever it stands.
        if (master.fixed) return [];
        return {
          check: "master-late",
          id: "master-late",
          data: { item: plugin.id, master: master.id },
          level: "blocker" as const,
          subjects: [subject(plugin.id), subject(master.id)],
          fixes: [proposeOrder("plugins")],
        };
      }),
    ),
};
