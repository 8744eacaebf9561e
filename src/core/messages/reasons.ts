import type { Link, RuleOrigin, ToldChain } from "../model/problem";
import type { ListName } from "../model/profile";
import type { DirectTie } from "../roster/ties";
import { gapOf } from "../order/tell-chain";
import { item, plural, sentence, type Sentence } from "./parts";

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
      return named("your rule");
    case "book":
      return named("the rulebook");
    case "built-in":
      return "the game’s fixed order";
    case "broader-first":
      return "the broader of two that change the same records loads earlier";
    case "aligned":
      return `so the ${list === "mods" ? "plugins" : "mods"}’ order has it`;
  }
}

/** Why an item stands on this side of another, seen from the item. */
export function tieText(tie: DirectTie, from: string, telling: Telling): Sentence {
  const isLater = tie.later === from;
  const other = item(isLater ? tie.earlier : tie.later);
  const side = isLater ? "After " : "Before ";
  if (tie.because !== "needs") return sentence`${side}${other}: ${ruleWords(tie.because, telling)}.`;
  if (telling.list === "mods")
    return isLater
      ? sentence`${side}${other}: this one requires it.`
      : sentence`${side}${other}: it requires this one.`;
  return isLater
    ? sentence`${side}${other}: it is a master of this one.`
    : sentence`${side}${other}: this is a master of it.`;
}

function linkText(link: Link, telling: Telling): Sentence {
  const [before, after] = [item(link.before), item(link.after)];
  // Only a group that is kept ties an item to itself.
  if (link.before === link.after && typeof link.because !== "string")
    return sentence`${before} stands in another group by ${ruleWords(link.because, telling)}`;
  if (link.because === "needs")
    return telling.list === "mods"
      ? sentence`${after} requires ${before}`
      : sentence`${before} is a master of ${after}`;
  if (link.because === "class") return sentence`${before} is of an earlier load rank than ${after}`;
  if (link.because === "section") return sentence`${before} belongs to an earlier section than ${after}`;
  return sentence`${before} comes before ${after} by ${ruleWords(link.because, telling)}`;
}

/** Why a move is needed: the chain between the moved item and one that stays. */
export function chainText(chain: ToldChain, telling: Telling): Sentence {
  const { links, left } = chain;
  return links.flatMap((link, at) => {
    const between = at === gapOf(chain) ? `, … (${plural(left, "more step")}) …` : "";
    const start: Sentence = at === 0 ? [] : [`${between}${at === links.length - 1 ? ", and " : ", "}`];
    return [...start, ...linkText(link, telling)];
  });
}

/** A move's reason as one sentence, seen from the item that moves. */
export function moveText(id: string, chain: ToldChain, telling: Telling): Sentence {
  const [only] = chain.links;
  if (!only) return ["It follows what it is tied to."];
  if (chain.links.length > 1) return [...chainText(chain, telling), "."];
  const loadsLater = only.after === id;
  const other = item(loadsLater ? only.before : only.after);
  if (only.because === "needs" && telling.list === "mods")
    return loadsLater
      ? sentence`It requires ${other}, which loads later than it.`
      : sentence`${other} requires it, and loads earlier.`;
  if (only.because === "needs")
    return loadsLater
      ? sentence`Its master ${other} loads later than it: the game would stop at start.`
      : sentence`It is a master of ${other}, which loads earlier: the game would stop at start.`;
  if (only.because === "class")
    return sentence`The game loads its rank ${loadsLater ? "after" : "before"} that of ${other}.`;
  if (only.because === "section")
    return sentence`Its section comes ${loadsLater ? "after" : "before"} that of ${other}.`;
  return sentence`It should load ${loadsLater ? "after" : "before"} ${other}: ${ruleWords(only.because, telling)}.`;
}
