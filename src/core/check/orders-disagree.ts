import { ordersDisagree } from "../profile/two-orders";
import { mod, type Check } from "./check";
import { alignOrder } from "./fixes";

/** Of two mods that meet, one wins with its files and the other with its records. */
export const ordersDisagreeCheck: Check = ({ roster }) => {
  const pairs = ordersDisagree(roster);
  const [first] = pairs;
  if (!first) return [];
  const [earlier, later] = first.byMods;
  return [
    {
      check: "orders-disagree",
      id: "orders-disagree",
      data: { count: pairs.length, earlier, later },
      level: "hint",
      subjects: [...new Set(pairs.flatMap(({ byMods }) => byMods))].map(mod),
      fixes: [alignOrder("mods"), alignOrder("plugins")],
    },
  ];
};
