import { createHash } from "node:crypto";
import { lstat, readdir } from "node:fs/promises";
import { join } from "node:path";
import type { GameDefinition } from "@/core/model/game";
import type { ShelfMod } from "@/core/model/shelf";
import { readMod, type ShelfPlace } from "./read-mod";

export interface ShelfProgress {
  readonly done: number;
  readonly total: number;
  /** Of those done, how many had not changed since the last reading. */
  readonly unchanged: number;
  readonly path: string;
}

export interface ShelfReading {
  readonly mods: readonly ShelfMod[];
  readonly read: number;
  readonly unchanged: number;
}

const atOnce = 4;

/**
 * Lists the shelf folder and reads what has changed since `known` (by size and stamp); everything else is taken
 * over as it was. Throws only where the folder itself cannot be listed, or when `signal` is aborted.
 */
export async function readShelf(
  game: GameDefinition,
  shelf: string,
  known: readonly ShelfMod[],
  onProgress: (progress: ShelfProgress) => void,
  signal?: AbortSignal,
): Promise<ShelfReading> {
  const places = await listShelf(shelf);
  const byPath = new Map(known.map((mod) => [mod.path, mod]));
  const mods = new Array<ShelfMod>(places.length);
  let next = 0;
  let done = 0;
  let unchanged = 0;
  const work = async () => {
    while (next < places.length) {
      signal?.throwIfAborted();
      const at = next++;
      const place = places[at]!;
      const before = byPath.get(place.path);
      const same = before?.stamp === place.stamp && before.size === place.size && before.kind === place.kind;
      mods[at] = same ? before : await readMod(game, shelf, place);
      if (same) unchanged++;
      onProgress({ done: ++done, total: places.length, unchanged, path: place.path });
    }
  };
  await Promise.all(Array.from({ length: atOnce }, work));
  return { mods, read: places.length - unchanged, unchanged };
}

/** Every folder and archive of the shelf folder, by name; files of other kinds and hidden ones are passed over. */
async function listShelf(shelf: string): Promise<ShelfPlace[]> {
  const entries = await readdir(shelf, { withFileTypes: true });
  const names = entries
    .filter((entry) => !entry.name.startsWith(".") && (entry.isDirectory() || /\.zip$/i.test(entry.name)))
    .sort((a, b) => (a.name < b.name ? -1 : 1));
  return Promise.all(
    names.map((entry) =>
      entry.isDirectory() ? placeFolder(shelf, entry.name) : placeArchive(shelf, entry.name),
    ),
  );
}

async function placeArchive(shelf: string, path: string): Promise<ShelfPlace> {
  const { size, mtimeMs } = await lstat(join(shelf, path));
  return { path, kind: "archive", size, stamp: String(mtimeMs) };
}

async function placeFolder(shelf: string, path: string): Promise<ShelfPlace> {
  const root = join(shelf, path);
  const entries = await readdir(root, { recursive: true, withFileTypes: true });
  const hash = createHash("sha256");
  let size = 0;
  const paths = entries
    .filter((entry) => !entry.isDirectory())
    .map((entry) => join(entry.parentPath, entry.name));
  for (const full of paths.sort()) {
    const info = await lstat(full);
    size += info.size;
    hash.update(`${full.slice(root.length)}\0${info.size}\0${info.mtimeMs}\n`);
  }
  return { path, kind: "folder", size, stamp: hash.digest("hex") };
}
