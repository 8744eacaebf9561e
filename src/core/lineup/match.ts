import type { GameDefinition } from "../model/game";
import type { Lineup, LineupMod } from "../model/lineup";
import type { Choice, ProfileState } from "../model/profile";
import type { ShelfMod } from "../model/shelf";
import { foldName } from "../roster/fold";
import { addAbsentPlugins } from "../edit/arrivals";
import { hasParts } from "../roster/parts";
import { newestById, type Stock } from "../roster/roster";
import { stateOfLineup } from "./state-of-lineup";

interface MatchedMod {
  readonly wanted: LineupMod;
  /** Same content; or the same mod with other content; or nothing of it on the shelf. */
  readonly status: "found" | "different" | "missing";
  readonly here: ShelfMod | null;
}

interface LineupMatch {
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
  const hereOf = new Map(matched.map(({ wanted, here }) => [wanted.id, here]));
  const told = stateOfLineup(game, lineup, ({ id }) => hereOf.get(id)?.id ?? id);
  const kept = new Map(
    matched.flatMap(({ here }) => (here?.content && mine.has(here.id) ? [[here.id, here.content]] : [])),
  );
  const state: ProfileState = {
    ...told,
    mods: {
      ...told.mods,
      entries: told.mods.entries.map((entry) =>
        kept.has(entry.id) ? { ...entry, content: kept.get(entry.id)! } : entry,
      ),
    },
    expansions: told.expansions.filter((id) => stock.owned.includes(id)),
    choices: choicesHere(told, matched),
  };
  const here = matched.map((each) => each.here).filter((mod) => mod !== null);
  return addAbsentPlugins(game, dropOtherExpansions(game, state), here);
}

/** What the list takes of packages, said also where it takes nothing of what the author of one that is here proposes. */
function choicesHere({ choices }: ProfileState, matched: readonly MatchedMod[]): Choice[] {
  const told = new Set(choices.map(({ mod }) => mod));
  const silent = matched.filter(
    ({ wanted, here }) => hasParts(here?.manifest ?? null) && !told.has(here?.id ?? wanted.id),
  );
  return [
    ...choices,
    ...silent.map(({ wanted, here }) => ({ mod: here?.id ?? wanted.id, options: {}, components: [] })),
  ].sort((a, b) => (a.mod < b.mod ? -1 : 1));
}

/** Plugins of expansions that are not on here do not exist here. */
function dropOtherExpansions(game: GameDefinition, state: ProfileState): ProfileState {
  const fold = (name: string) => foldName(game, name);
  const off = game.expansions.filter((each) => !state.expansions.includes(each.id));
  const gone = new Set(off.flatMap((each) => each.plugins).map(fold));
  const entries = state.plugins.entries.filter((entry) => !gone.has(fold(entry.id)));
  return { ...state, plugins: { ...state.plugins, entries } };
}
