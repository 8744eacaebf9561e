import type { Counting, GameDefinition, LoadRank } from "../model/game";
import type { PluginFile } from "../model/shelf";
import { extensionOf, foldName } from "./fold";

interface Marked {
  readonly extensions?: readonly string[] | undefined;
  readonly flag?: number | undefined;
}

function bears(mark: Marked, plugin: Pick<PluginFile, "name" | "header">): boolean {
  if (mark.extensions?.includes(extensionOf(plugin.name))) return true;
  return mark.flag !== undefined && plugin.header !== null && (plugin.header.flags & (1 << mark.flag)) !== 0;
}

/** The plugins that always load: the game's own and those of the expansions that are on, in their fixed order. */
export function fixedPlugins(game: GameDefinition, expansions: readonly string[]): string[] {
  const on = game.expansions.filter((expansion) => expansions.includes(expansion.id));
  return [...game.builtIn, ...on.flatMap((expansion) => expansion.plugins)];
}

/** The load rank of a plugin by its extension and flags; the built-in rank is by name alone. */
export function loadRankOf(
  game: GameDefinition,
  plugin: Pick<PluginFile, "name" | "header">,
  fixed: ReadonlySet<string>,
): LoadRank {
  if (fixed.has(foldName(game, plugin.name))) return game.loadRanks[0]!;
  const marked = game.loadRanks.slice(1).find((rank) => bears(rank, plugin));
  return marked ?? game.loadRanks[game.loadRanks.length - 1]!;
}

/** The class that a plugin counts in; null for a game that counts nothing. */
export function countingOf(
  game: GameDefinition,
  plugin: Pick<PluginFile, "name" | "header">,
): Counting | null {
  const isPlain = (counting: Counting) => counting.extensions === undefined && counting.flag === undefined;
  return game.counting.find((each) => bears(each, plugin)) ?? game.counting.find(isPlain) ?? null;
}

/** Where a plugin goes when it arrives: the first section of its rank that shares a tag with its mod, else the first. */
export function arrivalSection(game: GameDefinition, rank: string, tags: readonly string[]): string | null {
  const sections = game.sections.filter((section) => section.rank === rank);
  const byTag = sections.find((section) => section.tags?.some((tag) => tags.includes(tag)));
  return (byTag ?? sections[0])?.id ?? null;
}
