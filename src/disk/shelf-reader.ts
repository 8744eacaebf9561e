import type { ShelfMod } from "@/core/model/shelf";
import { readLooseFiles } from "./loose-files";
import { readMod } from "./read-mod";
import { foldersBelow, placeOf, type EntryName, type ShelfPlace } from "./shelf-places";

/** Looks into shelf folders and reads mods: in this thread, or in others. */
export interface ShelfReader {
  /** How many things it does at once. */
  readonly hands: number;
  /** What lies in a shelf folder under each of these names; null of what is no mod. */
  readonly placesOf: (shelf: string, names: readonly EntryName[]) => Promise<(ShelfPlace | null)[]>;
  /** Rejects where it came to grief over it. */
  readonly readMod: (...what: Parameters<typeof readMod>) => Promise<ShelfMod>;
  readonly readLooseFiles: typeof readLooseFiles;
  /** The whole paths of all folders below one. */
  readonly foldersBelow: (folder: string) => Promise<readonly string[]>;
}

/** For programs that have nothing else to do meanwhile. */
export const inThisThread: ShelfReader = {
  hands: 1,
  placesOf: (shelf, names) => Promise.resolve(names.map((name) => placeOf(shelf, name))),
  readMod,
  readLooseFiles,
  foldersBelow: (folder) => Promise.resolve(foldersBelow(folder)),
};
