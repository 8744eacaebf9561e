import { createHash } from "node:crypto";
import { lstat, readdir, stat } from "node:fs/promises";
import { join } from "node:path";
import type { GameDefinition } from "@/core/model/game";
import { refuse } from "@/core/model/outcome";
import type { FileProblem } from "@/core/model/refusal";
import type { ShelfMod } from "@/core/model/shelf";
import { isArchiveName } from "@/formats/archive-name";
import { safePath } from "@/formats/archive-path";
import { whatLiesAt } from "./open-plain";
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
      const same = before !== undefined && isUnchanged(before, place) && !isReadableNow(before, place);
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

/** An earlier Seating did not read archives of its kind. */
const isReadableNow = ({ problem }: ShelfMod, place: ShelfPlace): boolean =>
  problem?.code === "archive-kind" && place.problem === undefined;

type Seen = Pick<ShelfPlace, "stamp" | "size" | "kind">;

export const isUnchanged = (before: Seen, place: Seen): boolean =>
  before.stamp === place.stamp && before.size === place.size && before.kind === place.kind;

/**
 * Every folder and archive of the shelf folders, by name; files of other kinds and hidden ones are passed over. What cannot be looked
 * into is listed with its problem. Paths are
 * names within the first folder; those in another one are whole.
 */
export async function listShelf([first, ...others]: readonly string[]): Promise<ShelfPlace[]> {
  const places = await listFolder(first!);
  for (const folder of others)
    for (const place of await listFolder(folder)) places.push({ ...place, path: join(folder, place.path) });
  return places;
}

/** Archives of kinds that are not read, which is told. */
const otherEnding = /\.(?:tar|tgz|gz|bz2|xz)$/i;

async function listFolder(shelf: string): Promise<ShelfPlace[]> {
  const names = (await readdir(shelf, { encoding: "buffer" })).map(nameOf);
  const places = await Promise.all(
    names.filter(({ name }) => !name.startsWith(".")).map((name) => placeOf(shelf, name)),
  );
  return places.filter((place) => place !== null).sort((a, b) => (a.path < b.path ? -1 : 1));
}

interface EntryName {
  /** As it is shown, and its path where it is sound. */
  readonly name: string;
  readonly problem: FileProblem | null;
}

const strict = new TextDecoder("utf-8", { fatal: true, ignoreBOM: true });

/** Of a name that is not UTF-8 each byte that is no ASCII is written out. */
function nameOf(bytes: Buffer): EntryName {
  try {
    const name = strict.decode(bytes);
    const safe = safePath(name);
    return { name, problem: safe.ok ? null : safe.refusal };
  } catch {
    const written = bytes
      .toString("latin1")
      .replace(/[^\x20-\x7e]/g, (sign) => `%${sign.charCodeAt(0).toString(16)}`);
    return { name: written, problem: refuse("path-encoding", { entry: written.slice(0, 200) }).refusal };
  }
}

/** What lies in the shelf folder under a name; null of what is no mod. Whatever is odd about it is told, and stops nothing. */
async function placeOf(shelf: string, { name, problem }: EntryName): Promise<ShelfPlace | null> {
  const full = join(shelf, name);
  const wrong = (why: FileProblem, kind: ShelfPlace["kind"] = "archive"): ShelfPlace => ({
    path: name,
    kind,
    size: 0,
    stamp: `problem ${JSON.stringify(why)}`,
    updated: new Date(0).toISOString(),
    problem: why,
  });
  const other = otherEnding.exec(name)?.[0].toLowerCase();
  const isArchive = other !== undefined || isArchiveName(name);
  if (problem) return wrong(problem, isArchive ? "archive" : "folder");
  const found = await whatLiesAt(full, full);
  if (!found.ok) return wrong(found.refusal, isArchive ? "archive" : "folder");
  if (found.value.isDirectory())
    return placeFolder(shelf, name).catch((error: NodeJS.ErrnoException) =>
      wrong(
        refuse("cannot-read", { detail: `${error.path ?? name}: ${error.code ?? error.message}` }).refusal,
        "folder",
      ),
    );
  if (!isArchive) return null;
  const { size, mtimeMs } = found.value;
  const place = {
    path: name,
    kind: "archive" as const,
    size,
    stamp: stampOf(mtimeMs),
    updated: new Date(mtimeMs).toISOString(),
  };
  return other === undefined ? place : { ...place, problem: refuse("archive-kind", { kind: other }).refusal };
}

/** Whole milliseconds: a copy that keeps times keeps no more of them. */
export const stampOf = (mtimeMs: number): string => String(Math.round(mtimeMs));

async function placeFolder(shelf: string, path: string): Promise<ShelfPlace> {
  const root = join(shelf, path);
  const entries = await readdir(root, { recursive: true, withFileTypes: true });
  const hash = createHash("sha256");
  let size = 0;
  let latest = (await stat(root)).mtimeMs;
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
