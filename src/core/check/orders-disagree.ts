import { ordersDisagree } from "../roster/two-orders";
import { mod, type Check } from "./check";
import { alignOrder } from "./fixes";

/**
 * Of two mods that meet, one wins with its files and the other with its records. Pairs that the sections of both lists hold
 * apart are a matter of the sections, and only counted.
 */
export const ordersDisagreeCheck: Check = {
  reads: ["plugins", "mods", "overlaps", "rules"],
  find: ({ roster }) => {
    const all = ordersDisagree(roster).filter(({ accepted }) => accepted === null);
    const pairs = all.filter(({ alignable }) => alignable.length > 0);
    const [first] = pairs;
    if (!first) return [];
    const [earlier, later] = first.byMods;
    const lists = (["mods", "plugins"] as const).filter((list) =>
      pairs.some(({ alignable }) => alignable.includes(list)),
    );
    return [
      {
        check: "orders-disagree",
        id: "orders-disagree",
        data: { count: pairs.length, apart: all.length - pairs.length, earlier, later },
        level: "problem",
        subjects: [...new Set(pairs.flatMap(({ byMods }) => byMods))].map(mod),
        fixes: lists.map(alignOrder),
      },
    ];
  },
};
