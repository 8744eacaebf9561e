import { compareStates, type Difference } from "../compare/states";
import { plural } from "../messages/parts";
import type { GameDefinition } from "../model/game";
import type { Lineup, LineupMod } from "../model/lineup";
import type { FacetName, ProfileState } from "../model/profile";
import type { DifferenceKind } from "../state/facet";
import { stateOfLineup } from "./state-of-lineup";
import { facetNouns } from "../messages/facets";
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
  const lines = told.flatMap(({ title, of, say }) => {
    const some = all.filter((difference) => of(difference, states[1]));
    return some.length > 0 ? [say(title, some, was, is)] : [];
  });
  return before.game.version === after.game.version
    ? lines
    : [...lines, `Game version: ${before.game.version} → ${after.game.version}`];
}

type Known = ReadonlyMap<string, LineupMod>;

interface Line {
  readonly title: string;
  readonly of: (difference: Difference, after: ProfileState) => boolean;
  readonly say: (title: string, some: readonly Difference[], was: Known, is: Known) => string;
}

const nameIn =
  (name: (was: LineupMod | undefined, is: LineupMod | undefined) => string): Line["say"] =>
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
  (noun: string, many = `${noun}s`): Line["say"] =>
  (words, some) =>
    `${words}: ${plural(some.length, noun, many)}`;

const sections: ReadonlySet<DifferenceKind> = new Set([
  "section-only-here",
  "section-only-there",
  "section-changed",
  "section-place",
]);

/** What is said of a change of what its noun alone says too little of. */
const inOwnWords: Partial<Readonly<Record<FacetName, readonly [words: string, noun: string]>>> = {
  broaderFirst: ["Changed", "setting"],
  choices: ["Other parts chosen", "mod"],
  leftOut: ["Left out or brought back", "file"],
};

const told: readonly Line[] = [
  { title: "Added", of: ofMods("only-there"), say: nameIn((_, is) => named(is)) },
  { title: "Removed", of: ofMods("only-here"), say: nameIn((was) => named(was)) },
  {
    title: "Other contents",
    of: ofMods("content"),
    say: nameIn((was, is) =>
      was?.version === is?.version
        ? `${named(is)}, under the same version`
        : `${title(was, is)} ${was?.version ?? ""} → ${is?.version ?? ""}`,
    ),
  },
  { title: "Switched on", of: turned(true), say: nameIn(title) },
  { title: "Switched off", of: turned(false), say: nameIn(title) },
  ...(["mods", "plugins"] as const).map((facet) => ({
    title: "Moved",
    of: (each: Difference) => each.facet === facet && (each.kind === "place" || each.kind === "section"),
    say: counted(...facetNouns[facet]),
  })),
  {
    title: "Sections changed",
    of: (each) => sections.has(each.kind),
    say: counted("section"),
  },
  ...keyedNames.map((facet) => ({
    title: inOwnWords[facet]?.[0] ?? "Changed",
    of: (each: Difference) => each.facet === facet,
    say: inOwnWords[facet] ? counted(inOwnWords[facet][1]) : counted(...facetNouns[facet]),
  })),
];
