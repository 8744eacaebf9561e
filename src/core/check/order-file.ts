import { movedBetween } from "../graph/moved";
import { mainList, type GameDefinition } from "../model/game";
import type { ProfileId } from "../model/ids";
import { laidAs, layoutGap, type LayoutGap } from "../layout/laid-as";
import type { Roster } from "../roster/roster";
import { inOrder, type SettingLine } from "../model/settings";
import { wantedSettings } from "../roster/settings";
import { foldName } from "../roster/fold";
import type { Check, Held, OnDisk, StartFacts } from "./check";
import { lookAtOrder, writeOrder } from "./fixes";

/** The names that the game's order file should hold: what loads, less what is built in and what is not on the shelf. */
export const namesToWrite = ({ game, lists, mods }: Roster): string[] =>
  mainList(game) === "mods"
    ? mods.filter((mod) => mod.loads && !mod.gone).map((mod) => mod.id)
    : lists.plugins.items.filter((plugin) => plugin.loads && !plugin.fixed).map((plugin) => plugin.id);

/** The mods that are on, in order, as the game is to open them. */
export const holdsToWrite = ({ mods }: Roster): Held[] =>
  mods
    .filter((each) => each.loads && !each.gone)
    .map(({ mod, taken, leftOut }) => ({
      path: mod!.path,
      options: taken.options,
      components: taken.components,
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

const sameLines = (a: readonly SettingLine[], b: readonly SettingLine[]): boolean => {
  const key = (lines: readonly SettingLine[]) =>
    JSON.stringify(inOrder(lines).map(({ file, at, value }) => [file, at, value]));
  return key(a) === key(b);
};

/** What of one order another one lacks, has besides, or has elsewhere; names as they stand, moves the fewest. */
export interface OrderChange {
  readonly comes: readonly string[];
  readonly goes: readonly string[];
  readonly moves: readonly string[];
}

export function changeOfOrder(
  game: Pick<GameDefinition, "paths">,
  before: readonly string[],
  after: readonly string[],
): OrderChange {
  const fold = (name: string) => foldName(game, name);
  const [was, is] = [new Set(before.map(fold)), new Map(after.map((name) => [fold(name), name]))];
  return {
    comes: after.filter((name) => !was.has(fold(name))),
    goes: before.filter((name) => !is.has(fold(name))),
    moves: movedBetween([...was], [...is.keys()]).map((key) => is.get(key)!),
  };
}

export interface OrderFileGap {
  readonly written: boolean;
  readonly moves: number;
  readonly added: number;
  readonly removed: number;
  /** The plugins agree, but the game would open other mods, or in another order, or start otherwise. */
  readonly modsDiffer: boolean;
  /** Other lines are to stand in files of settings than do. */
  readonly settingsDiffer: boolean;
  /** What of the mods does not lie in the game's folder as it should; null where nothing does not, or nothing has to. */
  readonly layout: LayoutGap | null;
}

/**
 * How the order file stands to the profile: `behind` is what Seating wrote of an earlier state, `ahead` of a later one that was
 * undone since, `theirs` what somebody else has written.
 */
export type OrderFileStanding = "absent" | "current" | "behind" | "ahead" | "theirs";

export function standingOf(
  gap: OrderFileGap | null,
  { file }: OnDisk,
  profile: ProfileId,
  edits: number,
): OrderFileStanding {
  if (!gap) return "current";
  if (!gap.written) return "absent";
  if (file?.by === "theirs") return "theirs";
  return file && file.profile === profile && file.edits > edits ? "ahead" : "behind";
}

/** How far what the game reads is behind the profile; null if it is current. */
export function orderFileGap(roster: Roster, onDisk: OnDisk): OrderFileGap | null {
  const wanted = namesToWrite(roster);
  const holds = holdsToWrite(roster);
  const modsDiffer =
    onDisk.holds === null ||
    holds.length !== onDisk.holds.length ||
    holds.some((held, at) => !sameHeld(held, onDisk.holds![at]!)) ||
    (onDisk.start !== undefined && !sameStart(startToWrite(roster), onDisk.start));
  const change = changeOfOrder(roster.game, onDisk.order ?? [], wanted);
  const gap: OrderFileGap = {
    written: onDisk.order !== null,
    moves: change.moves.length,
    added: change.comes.length,
    removed: change.goes.length,
    modsDiffer,
    settingsDiffer: !sameLines(wantedSettings(roster), onDisk.settings ?? []),
    layout:
      onDisk.laid === undefined ? null : layoutGap(laidAs(roster, onDisk.isByDate), onDisk.laid?.as ?? null),
  };
  const isOrder = gap.written && gap.moves + gap.added + gap.removed === 0 && !modsDiffer;
  const current = isOrder && !gap.settingsDiffer && gap.layout === null;
  return current ? null : gap;
}

/** The order that the game reads differs from the profile. */
export const orderFileDiffers: Check = {
  reads: ["plugins", "mods", "game", "expansions", "baseOff", "launch", "settings", "onDisk", "ofGame"],
  find: ({ roster, onDisk }) => {
    // Where it is not known which order is meant, there is none to compare with.
    const gap = onDisk.ofGame?.meant === null ? null : orderFileGap(roster, onDisk);
    if (!gap) return [];
    const theirs = onDisk.file?.by === "theirs";
    return [
      {
        check: "order-file-differs",
        id: !gap.written ? "order-file-absent" : theirs ? "order-file-theirs" : "order-file-differs",
        data: { path: roster.game.orderFile.path, moves: gap.moves, added: gap.added, removed: gap.removed },
        // What Seating wrote last is written again by a key; what somebody else wrote is lost with it.
        level: theirs ? "problem" : "hint",
        subjects: [],
        fixes: [theirs ? lookAtOrder : writeOrder],
      },
    ];
  },
};
