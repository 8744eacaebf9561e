import type { Roster } from "@/core/roster/roster";
import { levelWords } from "../kit/level";
import { levels } from "@/core/model/finding";
import { shelfStates, type Facet, type ShelfState } from "./shelf-rows";

const stateWords: Record<ShelfState, string> = {
  on: "on",
  off: "off",
  elsewhere: "not in this profile",
  missing: "not on the shelf",
  unsound: "unusable",
  superseded: "another version counts",
};

/** What a facet is called, and its values with their words, in the order in which they are offered. */
export interface FacetWords {
  readonly facet: Facet;
  readonly label: string;
  readonly values: readonly (readonly [value: string, words: string])[];
}

/** The facets that the game has. */
export function facetWords({ game, lists }: Roster): FacetWords[] {
  const sections = [...lists.mods.sections, ...lists.plugins.sections];
  const words: FacetWords[] = [
    { facet: "state", label: "State", values: shelfStates.map((state) => [state, stateWords[state]]) },
    {
      facet: "use",
      label: "Use",
      values: [
        ["used", "in a profile"],
        ["unused", "in no profile"],
      ],
    },
    {
      facet: "level",
      label: "Findings",
      values: [...levels.map((level) => [level, levelWords[level].many] as const), ["none", "none"]],
    },
    {
      facet: "source",
      label: "Source",
      values: [
        ["depot", "depot"],
        ["local", "local"],
      ],
    },
    {
      facet: "kind",
      label: "Class",
      values: [...game.counting.map(({ label }) => [label, label] as const), ["none", "no plugin"]],
    },
    { facet: "section", label: "Section", values: sections.map(({ id, name }) => [id, name]) },
    {
      facet: "game",
      label: "Game version",
      values: [
        ["fits", `fits ${game.version}`],
        ["other", "made for another"],
        ["unsaid", "not said"],
      ],
    },
  ];
  return words.filter(({ facet }) => facet !== "kind" || game.counting.length > 0);
}
