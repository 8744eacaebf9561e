import type { Edit, EditLabel, Step } from "../model/edit";
import type { Rule } from "../model/profile";
import { itemsOf } from "../order/rule-items";
import { label } from "./steps";

const ruleLabel = (
  id: `${"add" | "change" | "drop"}-rule` | `rule-${"on" | "off"}`,
  { rule }: Rule,
): EditLabel => label(id, { item: itemsOf(rule)[0] ?? "" });

const keep = (rule: Rule, before?: null): Step => ({
  kind: "decide",
  facet: "rules",
  key: rule.id,
  item: rule,
  ...(before === undefined ? {} : { before }),
});

export const addRule = (rule: Rule): Edit => ({
  label: ruleLabel("add-rule", rule),
  steps: [keep(rule, null)],
});

/** The rule as it now is, in the place of the one with its id. */
export const changeRule = (rule: Rule): Edit => ({
  label: ruleLabel("change-rule", rule),
  steps: [keep(rule)],
});

export function switchRule(rule: Rule, on: boolean): Edit {
  const { off: _, ...rest } = rule;
  return {
    label: ruleLabel(on ? "rule-on" : "rule-off", rule),
    steps: [keep(on ? rest : { ...rest, off: true })],
  };
}

export const dropRule = (rule: Rule): Edit => ({
  label: ruleLabel("drop-rule", rule),
  steps: [{ kind: "decide", facet: "rules", key: rule.id, item: null }],
});

export const preferBroader = (on: boolean): Edit => ({
  label: label("broader-first", { on: Number(on) }),
  steps: [{ kind: "decide", facet: "broaderFirst", key: "off", item: on ? null : false }],
});
