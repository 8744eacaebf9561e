import { say } from "@/core/language/say";
import type { Roster } from "@/core/roster/roster";
import { levelWord } from "../kit/level";
import { levels } from "@/core/model/finding";
import { shelfStates, type Facet, type ShelfState } from "./shelf-rows";

const stateWords: Record<ShelfState, string> = {
  get on() {
    return say("common.on");
  },
  get off() {
    return say("common.off");
  },
  get elsewhere() {
    return say("shelf.notInThisProfile");
  },
  get missing() {
    return say("common.notOnTheShelf");
  },
  get unsound() {
    return say("shelf.unusable2");
  },
  get superseded() {
    return say("shelf.anotherVersionCounts");
  },
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
    {
      facet: "state",
      label: say("common.state"),
      values: shelfStates.map((state) => [state, stateWords[state]]),
    },
    {
      facet: "use",
      label: say("common.use"),
      values: [
        ["used", say("shelf.inAProfile")],
        ["unused", say("shelf.inNoProfile")],
      ],
    },
    {
      facet: "level",
      label: say("common.findings"),
      values: [...levels.map((level) => [level, levelWord(level, 2)] as const), ["none", say("common.none")]],
    },
    {
      facet: "source",
      label: say("shelf.source"),
      values: [
        ["depot", say("lineups.depot")],
        ["local", say("shelf.local")],
      ],
    },
    {
      facet: "kind",
      label: say("common.class"),
      values: [...game.counting.map(({ label }) => [label, label] as const), ["none", say("shelf.noPlugin")]],
    },
    { facet: "section", label: say("common.section"), values: sections.map(({ id, name }) => [id, name]) },
    {
      facet: "game",
      label: say("shelf.gameVersion"),
      values: [
        ["fits", say("shelf.fits", { version: game.version })],
        ["other", say("shelf.madeForAnother")],
        ["unsaid", say("shelf.notSaid")],
      ],
    },
  ];
  return words.filter(({ facet }) => facet !== "kind" || game.counting.length > 0);
}
