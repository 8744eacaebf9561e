import type { ListName } from "../model/profile";
import type { Overlap } from "../order/broader-first";

/**
 * Items of each list that load and meet: mods that bring unlike files at the same paths, plugins that change the same records. It is
 * worked out apart from all else, and may be of a moment before.
 */
export type Overlaps = Readonly<Record<ListName, readonly Overlap[]>>;

/** Before anything is known of files and records. */
export const noOverlaps: Overlaps = { mods: [], plugins: [] };
