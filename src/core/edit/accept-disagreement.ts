import type { Edit, Step } from "../model/edit";
import type { OrderRule } from "../model/problem";
import type { ListName, Rule } from "../model/profile";
import type { Roster } from "../roster/roster";
import { acceptingRules, type TwoWinners } from "../roster/two-orders";
import { label } from "./steps";

/** That one of two wins with its files and the other with its records is wanted so: rules for the pair, as it stands, with the reason. */
export function acceptDisagreement(
  roster: Roster,
  pair: TwoWinners,
  reason: string,
  makeRule: (list: ListName, rule: OrderRule, note: string) => Rule,
): Edit {
  const steps = acceptingRules(pair).map(({ list, rule }): Step => {
    const { itemOf } = roster.lists[list];
    const stands = itemOf.get(rule.other)!.place < itemOf.get(rule.item)!.place;
    const made = makeRule(list, stands ? rule : { ...rule, item: rule.other, other: rule.item }, reason);
    return { kind: "decide", facet: "rules", key: made.id, item: made, before: null };
  });
  return { label: label("decide", { item: pair.byMods[1], count: 1 }), steps };
}
