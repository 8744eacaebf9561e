import type { GameDefinition } from "../model/game";
import { unknownHash } from "../model/packed-files";
import type { ContentFile } from "../model/shelf";
import { foldName } from "../roster/fold";
import type { Names } from "./names";

/** What one item of a list brings, as numbers: its file `at`, or record, is called `keys[at]`. Never changed once it is made. */
export interface Contents {
  readonly keys: Int32Array;
  /** `hashDigits` a file, in one text: few are ever compared. Null where contents are not, as those of records. */
  readonly hashes: string | null;
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
  let hashes = "";
  let hasParts = false;
  let isPacked = false;
  for (let at = 0; at < files.length; at++) {
    const file = files[at]!;
    keys[at] = paths.number(foldName(game, file.path));
    hashes += file.hash ?? unknownHash;
    hasParts ||= file.part !== null;
    isPacked ||= file.container !== undefined;
  }
  return {
    keys,
    hashes,
    parts: hasParts ? partsOf(files, partKeys) : null,
    partKeys,
    inside: isPacked ? insideOf(files, keys, paths, game) : null,
  };
}

function partsOf(files: readonly ContentFile[], partKeys: readonly string[]): Int16Array {
  const placeOf = new Map(partKeys.map((key, place) => [key, place]));
  return Int16Array.from(files, ({ part }) => (part === null ? -1 : (placeOf.get(part) ?? -1)));
}

function insideOf(
  files: readonly ContentFile[],
  keys: Int32Array,
  paths: Names,
  game: Pick<GameDefinition, "paths">,
): Int32Array {
  const atOf = new Map<string, number>();
  // Of a container that several parts bring each has its own.
  for (const [at, { part, container }] of files.entries())
    if (container === undefined) atOf.set(`${keys[at]} ${part ?? ""}`, at);
  return Int32Array.from(files, ({ container, part }) =>
    container === undefined ? -1 : (atOf.get(`${paths.find(foldName(game, container))} ${part ?? ""}`) ?? -1),
  );
}

/** The records that a plugin changes; several lists of one name count once. */
export const recordContents = (names: Names, records: readonly string[]): Contents => ({
  ...noContents,
  keys: Int32Array.from(new Set(records), (record) => names.number(record)),
});
