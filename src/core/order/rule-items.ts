import type { OrderRule } from "../model/problem";

/** The items that a rule names. */
export const itemsOf = (rule: OrderRule): readonly string[] =>
  rule.kind === "together" ? rule.items : "other" in rule ? [rule.item, rule.other] : [rule.item];

/** Whether two rules ask the same, be it with another strength. */
export function isSameRule(a: OrderRule, b: OrderRule): boolean {
  return keyOf(a) === keyOf(b);
}

function keyOf(rule: OrderRule): string {
  if (rule.kind === "together") return JSON.stringify([rule.kind, ...[...rule.items].sort()]);
  if ("within" in rule) return JSON.stringify([rule.kind, rule.item, rule.within]);
  return JSON.stringify(rule.kind === "before" ? [rule.item, rule.other] : [rule.other, rule.item]);
}
