import { longestIncreasing } from "../graph/longest-increasing";
import { mainList } from "../model/game";
import type { Roster } from "../profile/roster";
import { foldName } from "../profile/fold";
import type { Check, OnDisk } from "./check";
import { writeOrder } from "./fixes";

/** The names that the game's order file should hold: what loads, less what is built in and what is not on the shelf. */
export const namesToWrite = ({ game, lists, mods }: Roster): string[] =>
  mainList(game) === "mods"
    ? mods.filter((mod) => mod.loads && mod.mod).map((mod) => mod.id)
    : lists.plugins.items.filter((plugin) => plugin.loads && !plugin.fixed).map((plugin) => plugin.id);

/** Paths on the shelf of the mods that are on, in order. */
export const holdsToWrite = (roster: Roster): string[] =>
  roster.mods.filter((mod) => mod.loads && mod.mod).map((mod) => mod.mod!.path);

export interface OrderFileGap {
  readonly written: boolean;
  readonly moves: number;
  readonly added: number;
  readonly removed: number;
  /** The plugins agree, but the game would open other mods, or in another order. */
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
    holds.some((path, at) => path !== onDisk.holds![at]);
  const present = (onDisk.order ?? []).map(fold);
  const placeOf = new Map(present.map((name, at) => [name, at]));
  const shared = wanted.map((name) => placeOf.get(fold(name))).filter((place) => place !== undefined);
  const gap: OrderFileGap = {
    written: onDisk.order !== null,
    moves: shared.length - longestIncreasing(shared).length,
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
