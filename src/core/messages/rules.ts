import { say } from "../language/say";
import type { OrderRule, SetAside } from "../model/problem";
import type { Section } from "../model/game";
import type { Rule } from "../model/profile";
import type { RuleStanding } from "../roster/rules";
import { item, sentence, type Sentence } from "./parts";

/** A rule as a sentence, without its full stop. */
export function ruleText(rule: SetAside["rule"]): Sentence {
  switch (rule.kind) {
    case "needs":
      return sentence("common.needs", { item: item(rule.item), other: item(rule.other) });
    case "together":
      return sentence("rules.together", { items: listed(rule.items) });
    case "after":
      return sentence("rules.loadsLaterThan", { item: item(rule.item), other: item(rule.other) });
    case "before":
      return sentence("rules.loadsEarlierThan", { item: item(rule.item), other: item(rule.other) });
    default:
      return sentence(`rules.end.${rule.kind}`, { item: item(rule.item), within: rule.within });
  }
}

/** The same where it is plain which item is meant. */
export function ruleTextOf(rule: OrderRule): Sentence {
  if (rule.kind === "together") return [say("rules.of.together")];
  if ("within" in rule) return [say(`rules.of.${rule.kind}`, { within: rule.within })];
  return sentence(`rules.of.${rule.kind}`, { other: item(rule.other) });
}

/** What a section demands, as sentences without their full stops. */
export function sectionRuleTexts({ name, block, closed }: Section): string[] {
  const told: string[] = [];
  if (block === "top") told.push(say("rules.nothingOfItsLoadRankComes", { name }));
  if (block === "bottom") told.push(say("rules.nothingOfItsLoadRankComes2", { name }));
  if (closed) told.push(say("rules.nothingMoreGoesInto", { name }));
  return told;
}

function listed(ids: readonly string[]): Sentence {
  return ids.flatMap((id, at): Sentence => {
    const before = at === 0 ? [] : [at === ids.length - 1 ? ` ${say("rules.and")} ` : ", "];
    return [...before, item(id)];
  });
}

export const strengthText = ({ rule }: Pick<Rule, "rule">): string =>
  rule.strength === "must"
    ? say("rules.strength.must")
    : say("rules.strength.prefer") +
      (rule.weight === undefined ? "" : say("rules.weight", { weight: rule.weight }));

/** How a rule stands in the present order, in a word or two. */
export const standingText: Record<RuleStanding, string> = {
  get holds() {
    return say("rules.standingText.holds");
  },
  get broken() {
    return say("rules.standingText.broken");
  },
  get "set-aside"() {
    return say("rules.standingText.set-aside");
  },
  get absent() {
    return say("rules.standingText.absent");
  },
  get off() {
    return say("common.off");
  },
};
