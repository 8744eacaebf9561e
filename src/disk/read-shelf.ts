import { join } from "node:path";
import type { GameDefinition } from "@/core/model/game";
import { refuse } from "@/core/model/outcome";
import type { FileProblem } from "@/core/model/refusal";
import type { ShelfMod } from "@/core/model/shelf";
import { unsound, type Identity } from "./read-mod";
import { namesIn, type ShelfPlace } from "./shelf-places";
import { inThisThread, type ShelfReader } from "./shelf-reader";

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
  /** In this thread, unless another one is named; whoever names it closes it. */
  readonly reader?: ShelfReader;
}

const batch = 64;

/**
 * Lists the shelf folders and reads what has changed since `known`, by size and stamp, then by hash; everything else is
 * taken over as it was. Throws only where a folder cannot be listed, or when `signal` is aborted.
 */
export async function readShelf(
  game: GameDefinition,
  shelves: readonly string[],
  known: readonly ShelfMod[],
  { onProgress, onRead, signal, identities, reader = inThisThread }: ShelfReadingOptions = {},
): Promise<ShelfReading> {
  const places = await listShelf(shelves, reader);
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
      const identity = identities?.get(place.path);
      const mod = same
        ? before
        : await reader
            .readMod(game, shelves[0]!, place, before, identity)
            .catch((error: Error) => unsound(place, unread(error), identity));
      mods[at] = mod;
      if (same) counts.unchanged++;
      else fresh.push(mod);
      counts.files += mod.files;
      if (fresh.length >= batch) await handOn();
      const { unchanged, files } = counts;
      onProgress?.({ done: ++counts.done, total: places.length, unchanged, files, path: place.path });
    }
  };
  await Promise.all(Array.from({ length: reader.hands + 1 }, work));
  await handOn();
  return { mods, read: places.length - counts.unchanged, unchanged: counts.unchanged };
}

const unread = (error: Error): FileProblem => refuse("cannot-read", { detail: error.message }).refusal;

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
export async function listShelf(
  [first, ...others]: readonly string[],
  reader: ShelfReader,
): Promise<ShelfPlace[]> {
  const places = await listFolder(first!, reader);
  for (const folder of others)
    for (const place of await listFolder(folder, reader))
      places.push({ ...place, path: join(folder, place.path) });
  return places;
}

async function listFolder(shelf: string, reader: ShelfReader): Promise<ShelfPlace[]> {
  const names = await namesIn(shelf);
  const batches = Array.from({ length: Math.ceil(names.length / batch) }, (_, at) =>
    reader.placesOf(shelf, names.slice(at * batch, (at + 1) * batch)),
  );
  const places = (await Promise.all(batches)).flat().filter((place) => place !== null);
  return places.sort((a, b) => (a.path < b.path ? -1 : 1));
}
