import { say } from "../language/say";
import { compareStates, type Difference } from "../compare/states";
import type { GameDefinition } from "../model/game";
import type { Lineup, LineupMod } from "../model/lineup";
import type { FacetName, ProfileState } from "../model/profile";
import type { DifferenceKind } from "../state/facet";
import { stateOfLineup } from "./state-of-lineup";
import { facetCount } from "../messages/facets";
import { keyedNames } from "../state/facets";

/** What became of a list between two versions of it, a line for each kind of change; empty where nothing did. */
export function changesBetween(
  game: Pick<GameDefinition, "sections">,
  before: Lineup,
  after: Lineup,
): string[] {
  const states = [stateOfLineup(game, before), stateOfLineup(game, after)] as const;
  const was = new Map(before.mods.map((mod) => [mod.id, mod]));
  const is = new Map(after.mods.map((mod) => [mod.id, mod]));
  const all = compareStates(...states);
  const lines = told.flatMap(({ title, of, text }) => {
    const some = all.filter((difference) => of(difference, states[1]));
    return some.length > 0 ? [text(title, some, was, is)] : [];
  });
  return before.game.version === after.game.version
    ? lines
    : [...lines, say("lineup.gameVersion", { version: before.game.version, version2: after.game.version })];
}

type Known = ReadonlyMap<string, LineupMod>;

interface Line {
  readonly title: string;
  readonly of: (difference: Difference, after: ProfileState) => boolean;
  readonly text: (title: string, some: readonly Difference[], was: Known, is: Known) => string;
}

const nameIn =
  (name: (was: LineupMod | undefined, is: LineupMod | undefined) => string): Line["text"] =>
  (title, some, was, is) =>
    `${title}: ${some.map(({ key }) => name(was.get(key), is.get(key)) || key).join(", ")}`;

const named = (mod: LineupMod | undefined): string => (mod ? `${mod.name} ${mod.version}` : "");
const title = (was: LineupMod | undefined, is: LineupMod | undefined): string => (is ?? was)?.name ?? "";

const ofMods =
  (kind: DifferenceKind): Line["of"] =>
  (each) =>
    each.facet === "mods" && each.kind === kind;

const turned =
  (on: boolean): Line["of"] =>
  (each, after) =>
    ofMods("on")(each, after) && after.mods.entries.find(({ id }) => id === each.key)!.on === on;

const counted =
  (count: (count: number) => string): Line["text"] =>
  (words, some) =>
    `${words}: ${count(some.length)}`;

const sections: ReadonlySet<DifferenceKind> = new Set([
  "section-only-here",
  "section-only-there",
  "section-changed",
  "section-place",
]);

/** What is said of a change of what its noun alone says too little of. */
const inOwnWords: ReadonlySet<FacetName> = new Set(["broaderFirst", "choices", "leftOut"] as const);
type InOwnWords = "broaderFirst" | "choices" | "leftOut";
const isInOwnWords = (facet: FacetName): facet is InOwnWords => inOwnWords.has(facet);

const told: readonly Line[] = [
  {
    get title() {
      return say("common.added");
    },
    of: ofMods("only-there"),
    text: nameIn((_, is) => named(is)),
  },
  {
    get title() {
      return say("lineup.removed");
    },
    of: ofMods("only-here"),
    text: nameIn((was) => named(was)),
  },
  {
    get title() {
      return say("lineup.otherContents");
    },
    of: ofMods("content"),
    text: nameIn((was, is) =>
      was?.version === is?.version
        ? say("lineup.underTheSameVersion", { named: named(is) })
        : `${title(was, is)} ${was?.version ?? ""} → ${is?.version ?? ""}`,
    ),
  },
  {
    get title() {
      return say("lineup.switchedOn");
    },
    of: turned(true),
    text: nameIn(title),
  },
  {
    get title() {
      return say("lineup.switchedOff");
    },
    of: turned(false),
    text: nameIn(title),
  },
  ...(["mods", "plugins"] as const).map((facet) => ({
    get title() {
      return say("common.moved");
    },
    of: (each: Difference) => each.facet === facet && (each.kind === "place" || each.kind === "section"),
    text: counted((count) => facetCount(facet, count)),
  })),
  {
    get title() {
      return say("common.sectionsChanged");
    },
    of: (each) => sections.has(each.kind),
    text: counted((count) => say("lineup.sectionCount", { count })),
  },
  ...keyedNames.map((facet) => ({
    get title() {
      return isInOwnWords(facet) ? say(`lineup.changed.${facet}`) : say("common.changed");
    },
    of: (each: Difference) => each.facet === facet,
    text: counted((count) => facetCount(facet, count)),
  })),
];
