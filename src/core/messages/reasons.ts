import { say } from "../language/say";
import type { Link, RuleOrigin, ToldChain } from "../model/problem";
import type { ListName } from "../model/profile";
import type { DirectTie } from "../roster/ties";
import { gapOf } from "../order/tell-chain";
import { item, sentence, type Sentence } from "./parts";

/** What a sentence about ties has to know. */
export interface Telling {
  readonly list: ListName;
  /** What a rule is called: its note, if it has one. */
  readonly note: (rule: string) => string | null;
}

function ruleWords({ rule, source }: RuleOrigin, { list, note }: Telling): string {
  const named = (says: string) => (note(rule) ? `${says}, “${note(rule)}”` : says);
  switch (source?.kind) {
    case undefined:
      return named(say("common.yourRule"));
    case "book":
      return named(say("reasons.theRulebook"));
    case "built-in":
      return say("common.theGameSFixedOrder");
    case "broader-first":
      return say("reasons.theBroaderOfTwoThatChange");
    case "aligned":
      return say("reasons.soTheOrderHasIt", { list });
  }
}

/** Why an item stands on this side of another, seen from the item. */
export function tieText(tie: DirectTie, from: string, telling: Telling): Sentence {
  const isLater = tie.later === from;
  const other = item(isLater ? tie.earlier : tie.later);
  const side = isLater ? say("reasons.after") : say("reasons.before");
  if (tie.because !== "needs")
    return sentence("reasons.text", { side, other, ruleWords: ruleWords(tie.because, telling) });
  if (telling.list === "mods")
    return isLater
      ? sentence("reasons.thisOneRequiresIt", { side, other })
      : sentence("reasons.itRequiresThisOne", { side, other });
  return isLater
    ? sentence("reasons.itIsAMasterOfThis", { side, other })
    : sentence("reasons.thisIsAMasterOfIt", { side, other });
}

function linkText(link: Link, telling: Telling): Sentence {
  const [before, after] = [item(link.before), item(link.after)];
  // Only a group that is kept ties an item to itself.
  if (link.before === link.after && typeof link.because !== "string")
    return sentence("reasons.standsInAnotherGroupBy", {
      before,
      ruleWords: ruleWords(link.because, telling),
    });
  if (link.because === "needs")
    return telling.list === "mods"
      ? sentence("reasons.requires", { after, before })
      : sentence("reasons.isAMasterOf", { before, after });
  if (link.because === "class") return sentence("reasons.isOfAnEarlierLoadRank", { before, after });
  if (link.because === "section") return sentence("reasons.belongsToAnEarlierSectionThan", { before, after });
  return sentence("reasons.comesBeforeBy", { before, after, ruleWords: ruleWords(link.because, telling) });
}

/** Why a move is needed: the chain between the moved item and one that stays. */
export function chainText(chain: ToldChain, telling: Telling): Sentence {
  const { links, left } = chain;
  return links.flatMap((link, at) => {
    const between = at === gapOf(chain) ? `, … (${say("reasons.moreSteps", { left })}) …` : "";
    const start: Sentence =
      at === 0 ? [] : [`${between}${at === links.length - 1 ? say("reasons.and") : ", "}`];
    return [...start, ...linkText(link, telling)];
  });
}

/** A move's reason as one sentence, seen from the item that moves. */
export function moveText(id: string, chain: ToldChain, telling: Telling): Sentence {
  const [only] = chain.links;
  if (!only) return [say("reasons.itFollowsWhatItIsTied")];
  if (chain.links.length > 1) return [...chainText(chain, telling), "."];
  const loadsLater = only.after === id;
  const other = item(loadsLater ? only.before : only.after);
  if (only.because === "needs" && telling.list === "mods")
    return loadsLater
      ? sentence("reasons.itRequiresWhichLoadsLaterThan", { other })
      : sentence("reasons.requiresItAndLoadsEarlier", { other });
  if (only.because === "needs")
    return loadsLater
      ? sentence("reasons.itsMasterLoadsLaterThanIt", { other })
      : sentence("reasons.itIsAMasterOfWhich", { other });
  if (only.because === "class")
    return sentence("reasons.theGameLoadsItsRankThat", { loadsLater: String(loadsLater), other });
  if (only.because === "section")
    return sentence("reasons.itsSectionComesThatOf", { loadsLater: String(loadsLater), other });
  return sentence("reasons.itShouldLoad", {
    loadsLater: String(loadsLater),
    other,
    ruleWords: ruleWords(only.because, telling),
  });
}
