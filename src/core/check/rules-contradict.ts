import type { OrderRule } from "../model/problem";
import { itemsOf } from "../order/rule-items";
import { subject, type Check } from "./check";

/** A rule of the curator's own that no order can keep with the others. */
export const rulesContradict: Check = {
  reads: ["ties", "rules"],
  find: ({ roster, ties }) => {
    const own = new Map<string | undefined, OrderRule>(
      roster.profile.state.rules.map(({ id, rule }) => [id, rule]),
    );
    return (["plugins", "mods"] as const).flatMap((list) =>
      ties[list].constraints.setAside.flatMap(({ rule: aside }) => {
        const id = "id" in aside ? aside.id : undefined;
        const rule = own.get(id);
        if (id === undefined || !rule) return [];
        return {
          check: "rules-contradict",
          id: "rule-set-aside" as const,
          data: { rule },
          level: "problem" as const,
          subjects: itemsOf(rule).map((item) => subject(list, item)),
          besides: [{ kind: "rule" as const, id }],
          rule: id,
          fixes: [{ id: "look-at-rules", data: {}, does: { act: "look-at-rules" } } as const],
        };
      }),
    );
  },
};
