import { createHash } from "node:crypto";
import { lstat, readdir } from "node:fs/promises";
import { join } from "node:path";
import type { GameDefinition } from "@/core/model/game";
import type { ShelfMod } from "@/core/model/shelf";
import { readMod, type Identity, type ShelfPlace } from "./read-mod";

export interface ShelfProgress {
  readonly done: number;
  readonly total: number;
  /** Of those done, how many had not changed since the last reading. */
  readonly unchanged: number;
  /** Files within those done. */
  readonly files: number;
  readonly path: string;
}

interface ShelfReading {
  readonly mods: readonly ShelfMod[];
  readonly read: number;
  readonly unchanged: number;
}

interface ShelfReadingOptions {
  readonly onProgress?: (progress: ShelfProgress) => void;
  /** Gets what was read while the reading goes on, so that it can be kept even if the rest is not read. */
  readonly onRead?: (mods: readonly ShelfMod[]) => Promise<void>;
  readonly signal?: AbortSignal | undefined;
  /** What entries without a manifest are known as, by path. */
  readonly identities?: ReadonlyMap<string, Identity>;
}

const atOnce = 4;
const batch = 64;

/**
 * Lists the shelf folders and reads what has changed since `known`, by size and stamp, then by hash; everything else is
 * taken over as it was. Throws only where a folder cannot be listed, or when `signal` is aborted.
 */
export async function readShelf(
  game: GameDefinition,
  shelves: readonly string[],
  known: readonly ShelfMod[],
  { onProgress, onRead, signal, identities }: ShelfReadingOptions = {},
): Promise<ShelfReading> {
  const places = await listShelf(shelves);
  const byPath = new Map(known.map((mod) => [mod.path, mod]));
  const mods = new Array<ShelfMod>(places.length);
  const counts = { next: 0, done: 0, unchanged: 0, files: 0 };
  let fresh: ShelfMod[] = [];
  const handOn = async () => {
    const ready = fresh;
    fresh = [];
    if (ready.length > 0) await onRead?.(ready);
  };
  const work = async () => {
    while (counts.next < places.length) {
      signal?.throwIfAborted();
      const at = counts.next++;
      const place = places[at]!;
      const before = byPath.get(place.path);
      const same = before !== undefined && isUnchanged(before, place);
      const mod = same
        ? before
        : await readMod(game, shelves[0]!, place, before, identities?.get(place.path));
      mods[at] = mod;
      if (same) counts.unchanged++;
      else fresh.push(mod);
      counts.files += mod.files;
      if (fresh.length >= batch) await handOn();
      const { unchanged, files } = counts;
      onProgress?.({ done: ++counts.done, total: places.length, unchanged, files, path: place.path });
    }
  };
  await Promise.all(Array.from({ length: atOnce }, work));
  await handOn();
  return { mods, read: places.length - counts.unchanged, unchanged: counts.unchanged };
}

export const isUnchanged = (before: Omit<ShelfPlace, "updated">, place: ShelfPlace): boolean =>
  before.stamp === place.stamp && before.size === place.size && before.kind === place.kind;

/**
 * Every folder and archive of the shelf folders, by name; files of other kinds and hidden ones are passed over. Paths are
 * names within the first folder; those in another one are whole.
 */
export async function listShelf([first, ...others]: readonly string[]): Promise<ShelfPlace[]> {
  const places = await listFolder(first!);
  for (const folder of others)
    for (const place of await listFolder(folder)) places.push({ ...place, path: join(folder, place.path) });
  return places;
}

async function listFolder(shelf: string): Promise<ShelfPlace[]> {
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

/** Whole milliseconds: a copy that keeps times keeps no more of them. */
export const stampOf = (mtimeMs: number): string => String(Math.round(mtimeMs));

async function placeArchive(shelf: string, path: string): Promise<ShelfPlace> {
  const { size, mtimeMs } = await lstat(join(shelf, path));
  return { path, kind: "archive", size, stamp: stampOf(mtimeMs), updated: new Date(mtimeMs).toISOString() };
}

async function placeFolder(shelf: string, path: string): Promise<ShelfPlace> {
  const root = join(shelf, path);
  const entries = await readdir(root, { recursive: true, withFileTypes: true });
  const hash = createHash("sha256");
  let size = 0;
  let latest = (await lstat(root)).mtimeMs;
  const paths = entries
    .filter((entry) => !entry.isDirectory())
    .map((entry) => join(entry.parentPath, entry.name));
  for (const full of paths.sort()) {
    const info = await lstat(full);
    size += info.size;
    latest = Math.max(latest, info.mtimeMs);
    hash.update(`${full.slice(root.length)}\0${info.size}\0${stampOf(info.mtimeMs)}\n`);
  }
  return {
    path,
    kind: "folder",
    size,
    stamp: hash.digest("hex"),
    updated: new Date(latest).toISOString(),
  };
}
