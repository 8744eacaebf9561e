import { say } from "../language/say";
import type { Basis, Certainty } from "../lineup/match-lines";
import type { PlanStatus } from "../lineup/plan";
import type { TakeInWay } from "../state/facet";

/** By what a line of a list was matched. */
export const certaintyWords: Readonly<Record<Certainty, string>> = {
  get answer() {
    return say("matching.certaintyWords.answer");
  },
  get content() {
    return say("matching.certaintyWords.content");
  },
  get archive() {
    return say("matching.certaintyWords.archive");
  },
  get id() {
    return say("matching.certaintyWords.id");
  },
  get plugin() {
    return say("matching.certaintyWords.plugin");
  },
  get "name-version"() {
    return say("matching.certaintyWords.name-version");
  },
  get name() {
    return say("matching.certaintyWords.name");
  },
  get game() {
    return say("facets.one.baseOff");
  },
  get similar() {
    return say("matching.certaintyWords.similar");
  },
  get none() {
    return say("matching.certaintyWords.none");
  },
  get talk() {
    return say("matching.certaintyWords.talk");
  },
};

/** What becomes of mods that are on here and not in the list, by where it goes. */
export const extraWords: Readonly<Record<TakeInWay | "new", string>> = {
  get new() {
    return say("matching.extraWords.new");
  },
  get into() {
    return say("matching.extraWords.into");
  },
  get alone() {
    return say("matching.extraWords.alone");
  },
  get order() {
    return say("matching.extraWords.order");
  },
};

/** How it stands with the mods of a lineup, and what that means. */
export const planTitle = (status: PlanStatus): string => say(`matching.plan.${status}`);

/** Of what was found it is told by what. */
export const planHint = (status: Exclude<PlanStatus, "found">): string => say(`matching.planHint.${status}`);

const basisWords: Readonly<Record<Basis, string>> = {
  get contents() {
    return say("matching.basisWords.contents");
  },
  get "name-version"() {
    return say("matching.basisWords.name-version");
  },
  get name() {
    return say("matching.basisWords.name");
  },
};

/** On what mods were found: one way for all of them, or how many by each. */
export function foundText(bases: readonly Basis[]): string {
  const counts = (Object.keys(basisWords) as Basis[])
    .map((basis) => ({ basis, count: bases.filter((each) => each === basis).length }))
    .filter(({ count }) => count > 0);
  return counts
    .map(({ basis, count }) => (counts.length === 1 ? basisWords[basis] : `${count} ${basisWords[basis]}`))
    .join(", ");
}
