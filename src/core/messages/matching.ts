import type { Certainty } from "../lineup/match-lines";
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
  found: ["Found here", "with the same contents"],
};
