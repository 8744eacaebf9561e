import { movedBetween } from "../graph/moved";
import { mainList } from "../model/game";
import type { Roster } from "../roster/roster";
import { foldName } from "../roster/fold";
import type { Check, Held, OnDisk, StartFacts } from "./check";
import { writeOrder } from "./fixes";

/** The names that the game's order file should hold: what loads, less what is built in and what is not on the shelf. */
export const namesToWrite = ({ game, lists, mods }: Roster): string[] =>
  mainList(game) === "mods"
    ? mods.filter((mod) => mod.loads && !mod.gone).map((mod) => mod.id)
    : lists.plugins.items.filter((plugin) => plugin.loads && !plugin.fixed).map((plugin) => plugin.id);

/** The mods that are on, in order, as the game is to open them. */
export const holdsToWrite = ({ mods }: Roster): Held[] =>
  mods
    .filter((each) => each.loads && !each.gone)
    .map(({ mod, choice, leftOut }) => ({
      path: mod!.path,
      options: choice.options,
      components: choice.components,
      hidden: leftOut,
    }));

/** What the game is told at its start beside the mods; equal objects say the same. */
export const startToWrite = ({ profile: { state } }: Roster): StartFacts => ({
  expansions: state.expansions,
  baseOff: state.baseOff,
  launch: state.launch,
});

/** Key order and the order of chosen parts do not count. */
const sameHeld = (a: Held, b: Held): boolean => a.path === b.path && heldKey(a) === heldKey(b);

const heldKey = ({ options, components, hidden }: Held): string =>
  JSON.stringify([
    Object.entries(options)
      .map(([id, parts]) => [id, [...parts].sort()] as const)
      .sort(([a], [b]) => (a < b ? -1 : 1)),
    [...components].sort(),
    [...hidden].sort(),
  ]);

const sameStart = (a: StartFacts, b: StartFacts): boolean => {
  const key = ({ expansions, baseOff, launch }: StartFacts) =>
    JSON.stringify([
      [...expansions].sort(),
      [...baseOff].sort(),
      Object.entries(launch).sort(([x], [y]) => (x < y ? -1 : 1)),
    ]);
  return key(a) === key(b);
};

export interface OrderFileGap {
  readonly written: boolean;
  readonly moves: number;
  readonly added: number;
  readonly removed: number;
  /** The plugins agree, but the game would open other mods, or in another order, or start otherwise. */
  readonly modsDiffer: boolean;
}

/** How far what the game reads is behind the profile; null if it is current. */
export function orderFileGap(roster: Roster, onDisk: OnDisk): OrderFileGap | null {
  const wanted = namesToWrite(roster);
  const fold = (name: string) => foldName(roster.game, name);
  const holds = holdsToWrite(roster);
  const modsDiffer =
    onDisk.holds === null ||
    holds.length !== onDisk.holds.length ||
    holds.some((held, at) => !sameHeld(held, onDisk.holds![at]!)) ||
    (onDisk.start !== undefined && !sameStart(startToWrite(roster), onDisk.start));
  const present = (onDisk.order ?? []).map(fold);
  const known = new Set(present);
  const shared = wanted.map(fold).filter((name) => known.has(name));
  const gap: OrderFileGap = {
    written: onDisk.order !== null,
    moves: movedBetween(present, shared).length,
    added: wanted.length - shared.length,
    removed: present.length - shared.length,
    modsDiffer,
  };
  const current = gap.written && gap.moves + gap.added + gap.removed === 0 && !modsDiffer;
  return current ? null : gap;
}

/** The order that the game reads differs from the profile. */
export const orderFileDiffers: Check = ({ roster, onDisk }) => {
  const gap = orderFileGap(roster, onDisk);
  if (!gap) return [];
  return [
    {
      check: "order-file-differs",
      id: gap.written ? "order-file-differs" : "order-file-absent",
      data: { path: roster.game.orderFile.path, moves: gap.moves, added: gap.added, removed: gap.removed },
      level: "hint",
      subjects: [],
      fixes: [writeOrder],
    },
  ];
};
