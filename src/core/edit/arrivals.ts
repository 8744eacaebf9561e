import type { Step } from "../model/edit";
import type { GameDefinition, Section } from "../model/game";
import type { SectionId } from "../model/ids";
import type { Entry, ListName, ProfileState } from "../model/profile";
import type { PluginFile, ShelfMod } from "../model/shelf";
import { foldName } from "../roster/fold";
import { nothingDecided } from "../state/facets";
import { chosenParts, proposedChoice } from "../roster/parts";
import { arrivalSection, fixedPlugins, loadRankOf, modRank, sectionsOf } from "../roster/laws";

/** Sections that arrivals are to go to, by the id of each; the others go to those that take them. */
export type Homes = ReadonlyMap<string, SectionId>;
const noHomes: Homes = new Map();

/** Adds mods that the profile does not hold yet, each at the end of the section that takes its tags. */
export function addAbsentMods(
  state: ProfileState,
  mods: readonly ShelfMod[],
  on: boolean,
  homes: Homes = noHomes,
): ProfileState {
  const known = new Set(state.mods.entries.map((entry) => entry.id));
  const { sections } = state.mods;
  const arrivals = mods
    .filter((mod) => !known.has(mod.id))
    .map((mod) => ({
      id: mod.id,
      on,
      section: homes.get(mod.id) ?? sectionFor(sections, modRank.id, mod.tags),
      ...(mod.content === null ? {} : { content: mod.content }),
      fresh: true as const,
    }));
  return withArrivals(state, "mods", arrivals);
}

/** Adds the built-in plugins and those of the given mods that the order does not hold yet, each at the end of its section. */
export function addAbsentPlugins(
  game: GameDefinition,
  state: ProfileState,
  mods: readonly ShelfMod[],
  on = false,
  homes: Homes = noHomes,
): ProfileState {
  const { sections, entries } = state.plugins;
  const known = new Set(entries.map((entry) => foldName(game, entry.id)));
  const fixedNames = fixedPlugins(game, state.expansions);
  const fixed = new Set(fixedNames.map((name) => foldName(game, name)));
  const arrivals: Entry[] = [];
  const arrive = (entry: Entry) => {
    const key = foldName(game, entry.id);
    if (known.has(key)) return;
    known.add(key);
    arrivals.push(fixed.has(key) ? entry : { ...entry, fresh: true });
  };
  for (const id of fixedNames)
    arrive({ id, on: true, section: sectionFor(sections, game.loadRanks[0]!.id, []) });
  for (const mod of mods)
    for (const file of pluginsTaken(state, mod))
      arrive({
        id: file.name,
        on,
        section: homes.get(file.name) ?? sectionFor(sections, loadRankOf(game, file, fixed).id, mod.tags),
      });
  return withArrivals(state, "plugins", arrivals);
}

/** Those that the mod always brings, and those of the parts that the profile takes. */
export function pluginsTaken({ choices }: ProfileState, mod: ShelfMod): PluginFile[] {
  if (mod.plugins.every(({ part }) => part === undefined)) return mod.plugins;
  const choice = choices.find((each) => each.mod === mod.id) ?? proposedChoice(mod.id, mod.manifest);
  const chosen = chosenParts(choice);
  return mod.plugins.filter(({ part }) => part === undefined || chosen.has(part));
}

const sectionFor = (sections: readonly Section[], rank: string, tags: readonly string[]): SectionId =>
  (arrivalSection(sections, rank, tags) ?? sections.at(-1))?.id ?? ("" as SectionId);

/** Those that a must has last: what arrives stands before them. */
function keptLast({ rules }: ProfileState, list: ListName): (id: string) => boolean {
  const last = new Set(
    rules.flatMap(({ rule, off, list: of = "plugins" }) =>
      !off && of === list && rule.kind === "last" && rule.strength === "must"
        ? [rule.item.toLowerCase()]
        : [],
    ),
  );
  return (id) => last.has(id.toLowerCase());
}

function withArrivals(state: ProfileState, list: ListName, arrivals: readonly Entry[]): ProfileState {
  if (arrivals.length === 0) return state;
  const { sections, entries } = state[list];
  const isLast = keptLast(state, list);
  const next = sections.flatMap((section) => {
    const inSection = (entry: Entry) => entry.section === section.id;
    const own: Entry[] = entries.filter(inSection);
    const end = own.findLastIndex(({ id }) => !isLast(id)) + 1;
    return [...own.slice(0, end), ...arrivals.filter(inSection), ...own.slice(end)];
  });
  return { ...state, [list]: { sections, entries: next } };
}

/** Puts of what `next` holds besides, each before the item that follows it there; the last first. */
export function arrivalSteps(list: ListName, state: ProfileState, next: ProfileState): Step[] {
  const known = new Set(state[list].entries.map((entry) => entry.id));
  const all = next[list].entries;
  return all
    .map((entry, at): Step | null =>
      known.has(entry.id) ? null : { kind: "put", list, entries: [entry], before: all[at + 1]?.id ?? null },
    )
    .filter((step) => step !== null)
    .reverse();
}

/** A profile without mods: the built-in plugins and the game's sections. */
export function emptyState(game: GameDefinition, owned: readonly string[]): ProfileState {
  const order = (list: ListName) => ({
    sections: sectionsOf(game, list).map((section) => ({ ...section })),
    entries: [],
  });
  const bare: ProfileState = {
    mods: order("mods"),
    plugins: order("plugins"),
    ...nothingDecided,
    expansions: game.expansions.map((each) => each.id).filter((id) => owned.includes(id)),
  };
  return addAbsentPlugins(game, bare, []);
}
