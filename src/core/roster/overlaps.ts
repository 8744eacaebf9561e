import type { ConflictStanding } from "../model/conflict-standing";
import type { ListName } from "../model/profile";
import { packOverlaps, type OverlapList } from "../order/overlap";

/**
 * Items of each list that load and meet: mods that bring unlike files at the same paths, plugins that change the same records. It is
 * worked out apart from all else, and may be of a moment before.
 */
export interface Overlaps extends Readonly<Record<ListName, OverlapList>> {
  readonly blocked: readonly Blocked[];
  readonly standing: ConflictStanding;
}

/** A path that is a file of one mod and a folder of others, by their ids; `""` is the game itself. */
export interface Blocked {
  readonly path: string;
  /** The first of those whose file it is. */
  readonly file: string;
  readonly folders: readonly string[];
}

/** Before anything is known of files and records. */
export const noOverlaps: Overlaps = {
  mods: packOverlaps([]),
  plugins: packOverlaps([]),
  blocked: [],
  standing: {
    copies: [],
    covered: { mods: [], plugins: [] },
    undecided: { mods: null, plugins: null },
    hidden: [],
    twice: [],
    blend: "none",
  },
};
