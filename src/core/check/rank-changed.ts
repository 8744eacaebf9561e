import type { SeatedPlugin } from "../roster/roster";
import { plugin as subject, type Check } from "./check";
import { proposeOrder } from "./fixes";

/** A plugin stands under a section of another load rank than its file has by now: where that is out of turn the game stops. */
export const rankChanged: Check = {
  reads: ["plugins", "game"],
  find: ({ roster }) => {
    const rankOf = new Map(roster.game.loadRanks.map(({ id }, at) => [id, at]));
    const turnOf = ({ rank }: SeatedPlugin) => rankOf.get(rank.id) ?? 0;
    // What is built in loads before everything, wherever it stands.
    const loading = roster.plugins.filter(({ loads, fixed }) => loads && !fixed);
    /** What is out of turn because of it: something of a later rank before it, or of an earlier one behind. */
    const outOfTurn = (plugin: SeatedPlugin) =>
      plugin.loads
        ? loading.find((other) =>
            other.place < plugin.place ? turnOf(other) > turnOf(plugin) : turnOf(other) < turnOf(plugin),
          )
        : undefined;
    return roster.plugins
      .filter(({ section, rank, file, fixed }) => file && !fixed && section && section.rank !== rank.id)
      .map((plugin) => {
        const other = outOfTurn(plugin);
        return {
          check: "rank-changed",
          id: "rank-changed",
          data: {
            item: plugin.id,
            section: plugin.section!.name,
            rank: plugin.rank.label,
            other: other?.id ?? "",
          },
          level: other ? "blocker" : "problem",
          subjects: [plugin, ...(other ? [other] : [])].map(({ id }) => subject(id)),
          fixes: [proposeOrder("plugins")],
        };
      });
  },
};
