import type { Edit, EditLabel, Step } from "../model/edit";
import type { Rule } from "../model/profile";
import { itemsOf } from "../order/rule-items";
import type { Roster } from "../roster/roster";
import { label } from "./steps";

const ruleLabel = (id: EditLabel["id"], { rule }: Rule): EditLabel =>
  label(id, { item: itemsOf(rule)[0] ?? "" });

/** What comes after a rule in the list, so that one put in its place stays there. */
function nextOf({ profile }: Roster, id: string): string | null {
  const { rules } = profile.state;
  return rules[rules.findIndex((rule) => rule.id === id) + 1]?.id ?? null;
}

export const addRule = (rule: Rule): Edit => ({
  label: ruleLabel("add-rule", rule),
  steps: [{ kind: "keep-rule", rule, before: null }],
});

/** The rule as it now is, in the place of the one with its id. */
export const changeRule = (roster: Roster, rule: Rule): Edit => ({
  label: ruleLabel("change-rule", rule),
  steps: [{ kind: "keep-rule", rule, before: nextOf(roster, rule.id) }],
});

export function switchRule(roster: Roster, rule: Rule, on: boolean): Edit {
  const { off: _, ...rest } = rule;
  const step: Step = {
    kind: "keep-rule",
    rule: on ? rest : { ...rest, off: true },
    before: nextOf(roster, rule.id),
  };
  return { label: ruleLabel(on ? "rule-on" : "rule-off", rule), steps: [step] };
}

export const dropRule = (rule: Rule): Edit => ({
  label: ruleLabel("drop-rule", rule),
  steps: [{ kind: "drop-rule", id: rule.id }],
});

export const preferBroader = (on: boolean): Edit => ({
  label: label("broader-first", { on: Number(on) }),
  steps: [{ kind: "broader-first", on }],
});
