import type { LaidAs } from "../model/ledger";
import { layingOf } from "../model/placement";
import { movedBetween } from "../graph/moved";
import { remembered } from "../remembered";
import { chosenParts } from "../roster/parts";
import type { Roster } from "../roster/roster";

/** How a profile's mods would be laid out; null for a game that reads a list of what to open. */
const laidAsOf = remembered(({ game, mods }: Roster): LaidAs | null => {
  const laying = layingOf(game);
  if (!laying) return null;
  return {
    law: JSON.stringify([laying, game.containers ?? [], game.paths]),
    mods: mods.flatMap(({ id, loads, gone, mod, taken, leftOut }): [string, string][] => {
      if (!loads || gone || !mod?.content) return [];
      const named = laying.kind === "folders" ? [mod.name, mod.version, mod.path] : [];
      return [[id, JSON.stringify([mod.content, [...chosenParts(taken)].sort(), leftOut, ...named])]];
    }),
  };
});

/** The same with the dates of plugins, where the definition or `isByDate`, whoever asks for it, wants them to follow the order. */
export function laidAs(roster: Roster, isByDate = false): LaidAs | null {
  const as = laidAsOf(roster);
  const laying = layingOf(roster.game);
  if (!as || !(isByDate || laying?.datesByOrder)) return as;
  const loading = roster.lists.plugins.items.filter(({ loads, fixed }) => loads && !fixed);
  return { ...as, dates: loading.map(({ id }) => id) };
}

/** What of a profile does not lie in its game's folder as it should; mods by their ids. */
export interface LayoutGap {
  /** How the game finds its mods is another one than when they were laid out. */
  readonly isOtherLaw: boolean;
  readonly comes: readonly string[];
  readonly goes: readonly string[];
  /** Their files are others now. */
  readonly changes: readonly string[];
  /** Of those that stay, by the order in which they win; the fewest. */
  readonly moves: readonly string[];
  /** Plugins have other dates than their order gives them. */
  readonly isOtherDates: boolean;
}

/** Null where all lies there as the profile has it; `laid`: null where nothing is laid out. */
export function layoutGap(wanted: LaidAs | null, laid: LaidAs | null): LayoutGap | null {
  if (wanted === null) return null;
  const [was, is] = [new Map(laid?.mods ?? []), new Map(wanted.mods)];
  const gap: LayoutGap = {
    isOtherLaw: laid !== null && laid.law !== wanted.law,
    comes: [...is.keys()].filter((id) => !was.has(id)),
    goes: [...was.keys()].filter((id) => !is.has(id)),
    changes: [...is].flatMap(([id, key]) => (was.has(id) && was.get(id) !== key ? [id] : [])),
    moves: movedBetween(
      [...was.keys()].filter((id) => is.has(id)),
      [...is.keys()].filter((id) => was.has(id)),
    ),
    isOtherDates: JSON.stringify(laid?.dates ?? []) !== JSON.stringify(wanted.dates ?? []),
  };
  const { isOtherLaw, comes, goes, changes, moves, isOtherDates } = gap;
  const isLaid = laid !== null && !isOtherLaw && !isOtherDates;
  return isLaid && comes.length + goes.length + changes.length + moves.length === 0 ? null : gap;
}
