import type { Basis, Certainty } from "../lineup/match-lines";
import type { PlanStatus } from "../lineup/plan";
import type { TakeInWay } from "../state/facet";

/** By what a line of a list was matched. */
export const certaintyWords: Readonly<Record<Certainty, string>> = {
  answer: "as you said before",
  content: "same contents",
  archive: "same archive",
  id: "same id",
  plugin: "by its plugin file",
  "name-version": "name and version",
  name: "by name",
  game: "part of the game",
  similar: "similar name",
  none: "nothing like it",
  talk: "no name",
};

/** What becomes of mods that are on here and not in the list, by where it goes. */
export const extraWords: Readonly<Record<TakeInWay | "new", string>> = {
  new: "not in the new profile",
  into: "they stay on, beside the neighbours that they have",
  alone: "they are switched off and keep their seats",
  order: "they stay, beside the neighbours that they have",
};

/** How it stands with the mods of a lineup, and what that means. */
export const planWords: Readonly<Record<PlanStatus, readonly [title: string, hint: string]>> = {
  "to-get": ["To get", "from the depot, what others need first"],
  other: ["Here in another version", "take the list’s, or keep yours"],
  "by-hand": ["To get by hand", "the depot has only their pages"],
  "not-to-be-had": ["Not to be had", "their seats are kept"],
  found: ["Found here", ""],
};

const basisWords: Readonly<Record<Basis, string>> = {
  contents: "with the same contents",
  "name-version": "by name and version",
  name: "by name",
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
