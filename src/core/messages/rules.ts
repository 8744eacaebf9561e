import type { OrderRule, SetAside } from "../model/problem";
import type { Section } from "../model/game";
import type { Rule } from "../model/profile";
import type { RuleStanding } from "../roster/rules";
import { item, sentence, type Sentence } from "./parts";

/** A rule as a sentence, without its full stop. */
export function ruleText(rule: SetAside["rule"]): Sentence {
  switch (rule.kind) {
    case "needs":
      return sentence`${item(rule.item)} needs ${item(rule.other)}`;
    case "together":
      return [...listed(rule.items), " together"];
    case "after":
      return sentence`${item(rule.item)} loads later than ${item(rule.other)}`;
    case "before":
      return sentence`${item(rule.item)} loads earlier than ${item(rule.other)}`;
    default:
      return sentence`${item(rule.item)} ${rule.kind} ${rule.within === "section" ? "in its section" : "of all"}`;
  }
}

/** The same where it is plain which item is meant. */
export function ruleTextOf(rule: OrderRule): Sentence {
  if (rule.kind === "together") return ["together"];
  if ("within" in rule) return [`${rule.kind} ${rule.within === "section" ? "in its section" : "of all"}`];
  return [`${rule.kind} `, item(rule.other)];
}

/** What a section demands, as sentences without their full stops. */
export function sectionRuleTexts({ name, block, closed }: Section): string[] {
  const told: string[] = [];
  if (block === "top") told.push(`Nothing of its load rank comes before ${name}`);
  if (block === "bottom") told.push(`Nothing of its load rank comes after ${name}`);
  if (closed) told.push(`Nothing more goes into ${name}`);
  return told;
}

function listed(ids: readonly string[]): Sentence {
  return ids.flatMap((id, at): Sentence => {
    const before = at === 0 ? [] : [at === ids.length - 1 ? " and " : ", "];
    return [...before, item(id)];
  });
}

export const strengthText = ({ rule }: Pick<Rule, "rule">): string =>
  rule.strength === "must" ? "must" : `prefer${rule.weight === undefined ? "" : `, weight ${rule.weight}`}`;

/** How a rule stands in the present order, in a word or two. */
export const standingText: Record<RuleStanding, string> = {
  holds: "holds",
  broken: "broken now",
  "set-aside": "set aside",
  absent: "not here",
  off: "off",
};
