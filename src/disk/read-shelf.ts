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

/** By what it is seen whether a mod has changed since it was read, and what is counted where it has not. */
type SeenMod = Pick<ShelfMod, "path" | "kind" | "size" | "stamp" | "files" | "problem">;

interface ShelfReading<Known> {
  readonly mods: readonly (Known | ShelfMod)[];
  readonly read: number;
  readonly unchanged: number;
}

interface ShelfReadingOptions {
  /** Gives the whole of what is known at some paths; it is asked for only of what seems to have changed. */
  readonly recall?: (paths: readonly string[]) => Promise<readonly ShelfMod[]>;
  readonly onProgress?: (progress: ShelfProgress) => void;
  /** Gets what was read while the reading goes on, so that it can be kept even if the rest is not read. */
  readonly onRead?: (mods: readonly ShelfMod[]) => Promise<void>;
  readonly signal?: AbortSignal | undefined;
  /** What entries without a manifest are known as, by path. */
  readonly identities?: ReadonlyMap<string, Identity>;
  /** In this thread, unless another one is named. */
  readonly reader?: ShelfReader;
}

const batch = 64;

/**
 * Lists the shelf folders and reads what has changed since `known`, by size and stamp, then by hash; everything else is
 * taken over as it was. Throws only where a folder cannot be listed, or when `signal` is aborted.
 */
export async function readShelf<Known extends SeenMod>(
  game: GameDefinition,
  shelves: readonly string[],
  known: readonly Known[],
  { onProgress, onRead, signal, identities, reader = inThisThread, recall }: ShelfReadingOptions = {},
): Promise<ShelfReading<Known>> {
  const places = await listShelf(shelves, reader);
  const seen = new Map(known.map((mod) => [mod.path, mod]));
  const isSame = (place: ShelfPlace) => {
    const before = seen.get(place.path);
    return before !== undefined && isUnchanged(before, place) && !isReadableNow(before, place);
  };
  const changed = places.filter((place) => seen.has(place.path) && !isSame(place)).map(({ path }) => path);
  const recalled = changed.length > 0 ? await recall?.(changed) : [];
  const earlier = new Map(recalled?.map((mod) => [mod.path, mod]));
  const mods = new Array<Known | ShelfMod>(places.length);
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
      if (isSame(place)) {
        mods[at] = seen.get(place.path)!;
        counts.unchanged++;
      } else {
        const identity = identities?.get(place.path);
        const read = await reader
          .readMod(game, shelves[0]!, place, earlier.get(place.path), identity)
          .catch((error: Error) => unsound(place, unread(error), identity));
        mods[at] = read;
        fresh.push(read);
      }
      counts.files += mods[at].files;
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
const isReadableNow = ({ problem }: SeenMod, place: ShelfPlace): boolean =>
  problem?.code === "archive-kind" && place.problem === undefined;

export const isUnchanged = (before: Pick<SeenMod, "stamp" | "size" | "kind">, place: ShelfPlace): boolean =>
  before.stamp === place.stamp && before.size === place.size && before.kind === place.kind;

/**
 * Every folder and archive of the shelf folders, by name; files of other kinds and hidden ones are passed over. What cannot be looked
 * into is listed with its problem. Paths are names within the first folder; those in another one are whole.
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
