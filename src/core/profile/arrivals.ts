import type { GameDefinition } from "../model/game";
import type { Entry, ProfileState } from "../model/profile";
import type { ShelfMod } from "../model/shelf";
import { foldName } from "./fold";
import { arrivalSection, fixedPlugins, loadRankOf } from "./laws";

/** Adds the built-in plugins and those of the given mods that the order does not hold yet, each at the end of its section. */
export function addAbsentPlugins(
  game: GameDefinition,
  state: ProfileState,
  mods: readonly ShelfMod[],
  on = false,
): ProfileState {
  const { sections, entries } = state.plugins;
  const known = new Set(entries.map((entry) => foldName(game, entry.id)));
  const fixedNames = fixedPlugins(game, state.expansions);
  const fixed = new Set(fixedNames.map((name) => foldName(game, name)));
  const isFixed = (id: string) => fixed.has(foldName(game, id));
  const arrivals = new Map<string, Entry[]>();
  const arrive = (id: string, section: string | null, isOn: boolean) => {
    if (known.has(foldName(game, id))) return;
    known.add(foldName(game, id));
    const group = section ?? sections[0]?.id ?? "";
    arrivals.set(group, [
      ...(arrivals.get(group) ?? []),
      { id, on: isOn, section: group, ...(isFixed(id) ? {} : { fresh: true as const }) },
    ]);
  };
  for (const name of fixedNames) arrive(name, sectionFor(game, state, game.loadRanks[0]!.id, []), true);
  for (const mod of mods)
    for (const file of mod.plugins)
      arrive(file.name, sectionFor(game, state, loadRankOf(game, file, fixed).id, mod.tags), on);
  if (arrivals.size === 0) return state;
  const next = sections.flatMap((section) => [
    ...entries.filter((entry) => entry.section === section.id),
    ...(arrivals.get(section.id) ?? []),
  ]);
  return { ...state, plugins: { sections, entries: next } };
}

/** The game's choice where the profile has that section, else the profile's first section of the rank. */
function sectionFor(
  game: GameDefinition,
  { plugins }: ProfileState,
  rank: string,
  tags: readonly string[],
): string | null {
  const wanted = arrivalSection(game, rank, tags);
  const own = plugins.sections.filter((section) => section.rank === rank);
  return (own.find((section) => section.id === wanted) ?? own[0] ?? plugins.sections.at(-1))?.id ?? null;
}

/** A profile without mods: the built-in plugins and the game's sections. */
export function emptyState(game: GameDefinition, owned: readonly string[]): ProfileState {
  const sections = game.sections.map((section) => ({ ...section }));
  const expansions = game.expansions.map((each) => each.id).filter((id) => owned.includes(id));
  const bare: ProfileState = {
    mods: { sections: [], entries: [] },
    plugins: { sections, entries: [] },
    rules: [],
    expansions,
  };
  return addAbsentPlugins(game, bare, []);
}
