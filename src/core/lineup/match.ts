import { MODS_RANK, type GameDefinition } from "../model/game";
import type { Lineup, LineupMod } from "../model/lineup";
import type { Choice, Entry, Note, Order, ProfileState } from "../model/profile";
import type { ShelfMod } from "../model/shelf";
import { foldName } from "../roster/fold";
import { addAbsentPlugins } from "../edit/arrivals";
import { sectionsOf } from "../roster/laws";
import { hasParts } from "../roster/parts";
import { newestById, type Stock } from "../roster/roster";

export interface MatchedMod {
  readonly wanted: LineupMod;
  /** Same content; or the same mod with other content; or nothing of it on the shelf. */
  readonly status: "found" | "different" | "missing";
  readonly here: ShelfMod | null;
}

export interface LineupMatch {
  readonly mods: readonly MatchedMod[];
  /** Names of expansions that the lineup uses and that are not owned here. */
  readonly expansionsMissing: readonly string[];
  /** The game's own plugins that differ here from the lineup's. */
  readonly baseDifferent: readonly string[];
  readonly gameVersionDiffers: boolean;
}

/** What of a lineup is here, by content first and by id then. Changes nothing. */
export function matchLineup(game: GameDefinition, lineup: Lineup, stock: Stock): LineupMatch {
  const sound = stock.shelf.filter((mod) => !mod.problem && mod.content);
  const byContent = new Map(sound.map((mod) => [mod.content!, mod]));
  const exact = new Map(sound.map((mod) => [`${mod.id} ${mod.content}`, mod]));
  const byId = newestById(stock.shelf);
  const base = new Map(stock.base.map((file) => [foldName(game, file.name), file]));
  return {
    mods: lineup.mods.map((wanted): MatchedMod => {
      const same = exact.get(`${wanted.id} ${wanted.content}`) ?? byContent.get(wanted.content);
      if (same) return { wanted, status: "found", here: same };
      const here = byId.get(wanted.id) ?? null;
      return { wanted, status: here ? "different" : "missing", here };
    }),
    expansionsMissing: lineup.expansions
      .filter((id) => !stock.owned.includes(id))
      .map((id) => game.expansions.find((each) => each.id === id)?.name ?? id),
    baseDifferent: lineup.plugins
      .filter((plugin) => plugin.mod === null && plugin.sha256)
      .filter((plugin) => {
        const here = base.get(foldName(game, plugin.name));
        return here && here.sha256 !== plugin.sha256;
      })
      .map((plugin) => plugin.name),
    gameVersionDiffers: lineup.game.version !== game.version,
  };
}

/**
 * The state of a profile that reproduces the lineup as far as the shelf allows. What is missing keeps its seat, so
 * that it takes it when it arrives; so does the lineup's version of what is here in another one, but for the mods of which
 * `mine` is kept. Plugins that a different version brings besides come to the end of their section, switched off.
 */
export function stateFromLineup(
  game: GameDefinition,
  lineup: Lineup,
  stock: Stock,
  mine: ReadonlySet<string> = new Set(),
): ProfileState {
  const matched = matchLineup(game, lineup, stock).mods;
  const expansions = lineup.expansions.filter((id) => stock.owned.includes(id));
  const listed: Entry[] = lineup.plugins.map((plugin) => ({
    id: plugin.name,
    on: plugin.on,
    section: plugin.section,
    ...(plugin.home === undefined ? {} : { home: plugin.home }),
  }));
  const state: ProfileState = {
    mods: modsOrder(game, lineup, matched, mine),
    plugins: { sections: lineup.sections.filter((each) => each.rank !== MODS_RANK), entries: listed },
    rules: lineup.rules,
    expansions,
    ...choicesOfLineup(matched),
    ...(lineup.baseOff.length > 0 ? { baseOff: lineup.baseOff } : {}),
    ...(Object.keys(lineup.launch).length > 0 ? { launch: lineup.launch } : {}),
    ...notesOfLineup(lineup, matched),
  };
  const here = matched.map((each) => each.here).filter((mod) => mod !== null);
  return addAbsentPlugins(game, dropOtherExpansions(game, state), here);
}

/** Only of packages that have parts, here or in the lineup. */
function choicesOfLineup(matched: readonly MatchedMod[]): Pick<ProfileState, "choices"> {
  const choices = matched
    .filter(
      ({ wanted, here }) =>
        hasParts(here?.manifest ?? null) || wanted.components.length + Object.keys(wanted.options).length > 0,
    )
    .map((each): Choice => ({
      mod: idHere(each),
      options: each.wanted.options,
      components: each.wanted.components,
    }))
    .sort((a, b) => (a.mod < b.mod ? -1 : 1));
  return choices.length > 0 ? { choices } : {};
}

const idHere = ({ here, wanted }: MatchedMod): string => here?.id ?? wanted.id;

/** A lineup that says nothing of sections of mods has them all in the one that this game gives them at least. */
function modsOrder(
  game: GameDefinition,
  lineup: Lineup,
  matched: readonly MatchedMod[],
  mine: ReadonlySet<string>,
): Order {
  const own = lineup.sections.filter((each) => each.rank === MODS_RANK);
  const known = new Set(own.map((section) => section.id as string | null));
  const told = matched.every(({ wanted }) => known.has(wanted.section));
  const sections = told ? own : sectionsOf(game, "mods").slice(0, 1);
  return {
    sections,
    entries: matched.map((each) => {
      const { wanted } = each;
      return {
        id: idHere(each),
        on: wanted.on,
        section: told ? wanted.section : sections[0]!.id,
        ...(told && wanted.home !== undefined ? { home: wanted.home } : {}),
        ...(mine.has(wanted.id) ? {} : { content: wanted.content }),
      };
    }),
  };
}

function notesOfLineup(lineup: Lineup, matched: readonly MatchedMod[]): Pick<ProfileState, "notes"> {
  const notes = matched
    .filter(({ wanted }) => wanted.note.trim() !== "")
    .map((each): Note => ({
      list: "mods",
      item: idHere(each),
      text: each.wanted.note.trim().slice(0, 2000),
      author: lineup.author.slice(0, 120),
      at: lineup.date,
    }));
  return notes.length > 0 ? { notes } : {};
}

/** Plugins of expansions that are not on here do not exist here. */
function dropOtherExpansions(game: GameDefinition, state: ProfileState): ProfileState {
  const fold = (name: string) => foldName(game, name);
  const off = game.expansions.filter((each) => !state.expansions.includes(each.id));
  const gone = new Set(off.flatMap((each) => each.plugins).map(fold));
  const entries = state.plugins.entries.filter((entry) => !gone.has(fold(entry.id)));
  return { ...state, plugins: { ...state.plugins, entries } };
}
