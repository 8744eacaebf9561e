import { plugin as subject, readsOrders, type Check } from "./check";
import { proposeOrder } from "./fixes";

/** A plugin stands under a section of another load rank than its file has by now: the game does not load it there. */
export const rankChanged: Check = {
  reads: readsOrders,
  find: ({ roster }) =>
    roster.plugins
      .filter(({ section, rank, file, fixed }) => file && !fixed && section && section.rank !== rank.id)
      .map(({ id, section, rank }) => ({
        check: "rank-changed",
        id: "rank-changed",
        data: { item: id, section: section!.name, rank: rank.label },
        level: "problem" as const,
        subjects: [subject(id)],
        fixes: [proposeOrder("plugins")],
      })),
};
