import { say } from "../language/say";
import { MODS_RANK, type Counting, type GameDefinition, type LoadRank, type Section } from "../model/game";
import type { PluginId, SectionId } from "../model/ids";
import type { ListName } from "../model/profile";
import type { PluginFile } from "../model/shelf";
import { extensionOf, foldName } from "./fold";

interface Marked {
  readonly extensions?: readonly string[] | undefined;
  readonly flag?: number | undefined;
}

/** By what of it the game knows the rank and the class of a plugin. */
type Marks = Pick<PluginFile, "header"> & { readonly name: string };

function bears(mark: Marked, plugin: Marks): boolean {
  if (mark.extensions?.includes(extensionOf(plugin.name))) return true;
  return mark.flag !== undefined && plugin.header !== null && (plugin.header.flags & (1 << mark.flag)) !== 0;
}

/** The plugins that always load: the game's own and those of the expansions that are on, in their fixed order. */
export function fixedPlugins(game: GameDefinition, expansions: readonly string[]): PluginId[] {
  const on = game.expansions.filter((expansion) => expansions.includes(expansion.id));
  return [...game.builtIn, ...on.flatMap((expansion) => expansion.plugins)];
}

/** The load rank of a plugin by its extension and flags; the built-in rank is by name alone. */
export function loadRankOf(game: GameDefinition, plugin: Marks, fixed: ReadonlySet<string>): LoadRank {
  if (fixed.has(foldName(game, plugin.name))) return game.loadRanks[0]!;
  const marked = game.loadRanks.slice(1).find((rank) => bears(rank, plugin));
  return marked ?? game.loadRanks[game.loadRanks.length - 1]!;
}

/** The class that a plugin counts in; null for a game that counts nothing. */
export function countingOf(game: GameDefinition, plugin: Marks): Counting | null {
  const isPlain = (counting: Counting) => counting.extensions === undefined && counting.flag === undefined;
  return game.counting.find((each) => bears(each, plugin)) ?? game.counting.find(isPlain) ?? null;
}

/** The rank that all mods have: the game knows none of them. */
export const modRank: LoadRank = {
  id: MODS_RANK,
  get label() {
    return say("facets.many.mods");
  },
};

const allMods: Section = {
  id: "mods" as SectionId,
  get name() {
    return say("common.mods");
  },
  rank: MODS_RANK,
  guidance: "",
};

/** The sections that a new profile has for a list; the mods always have one. */
export function sectionsOf(game: Pick<GameDefinition, "sections">, list: ListName): Section[] {
  const own = game.sections.filter((section) => (section.rank === MODS_RANK) === (list === "mods"));
  return list === "mods" && own.length === 0 ? [allMods] : own;
}

/**
 * Where something goes when it arrives: the first section of its rank that takes one of its mod's tags, else where
 * arrivals wait, else the first of its rank that is not closed. Null where the rank has no section.
 */
export function arrivalSection(
  sections: readonly Section[],
  rank: string,
  tags: readonly string[],
): Section | null {
  const own = sections.filter((section) => section.rank === rank);
  const open = own.filter((section) => !section.closed);
  const byTag = open.find((section) => section.tags?.some((tag) => tags.includes(tag)));
  const waiting = own.find((section) => section.unseated);
  return byTag ?? waiting ?? open.find((section) => section.block === undefined) ?? open[0] ?? own[0] ?? null;
}
