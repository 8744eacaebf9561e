import type { GameDefinition } from "../model/game";
import type { ContentFile } from "../model/shelf";
import { foldName } from "../roster/fold";
import type { Names } from "./names";

/** Words of a hash that are compared: 16 bytes. */
export const hashWords = 4;

/** What one item of a list brings, as numbers: its file `at`, or record, is called `keys[at]`. Never changed once it is made. */
export interface Contents {
  readonly keys: Int32Array;
  /** `hashWords` a file, all zero of one that was not read; null where contents are not compared, as those of records. */
  readonly hashes: Uint32Array | null;
  /** Of each file the part of the package that brings it, as its place in `partKeys`; -1 where it always comes; null: all do. */
  readonly parts: Int16Array | null;
  /** In the order of the package's manifest: of two that bring one path, the later provides it. */
  readonly partKeys: readonly string[];
  /** Of each file the container, a file of the same contents, in which it lies; -1 of one that lies loose; null: all do. */
  readonly inside: Int32Array | null;
}

/** Of an item of which nothing is known. */
export const noContents: Contents = {
  keys: new Int32Array(0),
  hashes: null,
  parts: null,
  partKeys: [],
  inside: null,
};

/** The files of a mod; `partKeys` are those of its manifest, in its order. */
export function fileContents(
  game: Pick<GameDefinition, "paths">,
  paths: Names,
  files: readonly ContentFile[],
  partKeys: readonly string[],
): Contents {
  const keys = new Int32Array(files.length);
  const hashes = new Uint32Array(files.length * hashWords);
  const partAt = new Map(partKeys.map((key, at) => [key, at]));
  const parts = files.some(({ part }) => part !== null) ? new Int16Array(files.length).fill(-1) : null;
  for (const [at, { path, hash, part }] of files.entries()) {
    keys[at] = paths.number(foldName(game, path));
    if (hash !== null) setHash(hashes, at, hash);
    if (parts && part !== null) parts[at] = partAt.get(part) ?? -1;
  }
  return { keys, hashes, parts, partKeys, inside: insideOf(files, keys, paths, game) };
}

function insideOf(
  files: readonly ContentFile[],
  keys: Int32Array,
  paths: Names,
  game: Pick<GameDefinition, "paths">,
): Int32Array | null {
  if (!files.some(({ container }) => container !== undefined)) return null;
  const atOf = new Map<string, number>();
  // Of a container that several parts bring each has its own.
  for (const [at, { part, container }] of files.entries())
    if (container === undefined) atOf.set(`${keys[at]} ${part ?? ""}`, at);
  return Int32Array.from(files, ({ container, part }) =>
    container === undefined ? -1 : (atOf.get(`${paths.find(foldName(game, container))} ${part ?? ""}`) ?? -1),
  );
}

function setHash(hashes: Uint32Array, at: number, hex: string): void {
  for (let word = 0; word < hashWords; word++)
    hashes[at * hashWords + word] = Number.parseInt(hex.slice(word * 8, word * 8 + 8), 16);
}

/** The records that a plugin changes; several lists of one name count once. */
export const recordContents = (names: Names, records: readonly string[]): Contents => ({
  ...noContents,
  keys: Int32Array.from(new Set(records), (record) => names.number(record)),
});
