import type { GameDefinition } from "../model/game";
import type { ContentFile } from "../model/shelf";
import { foldName } from "./fold";

export interface SharedFile {
  /** As the first of the two spells it. */
  readonly path: string;
  /**
   * Whether the same bytes lie there whichever parts of the two are chosen, "some" where only with some of them; null where that is
   * not known.
   */
  readonly equal: boolean | "some" | null;
}

/** Paths that two contents both bring, as the game compares paths, in the order of the first. */
export function sharedFiles(
  game: Pick<GameDefinition, "paths">,
  first: readonly ContentFile[],
  second: readonly ContentFile[],
): SharedFile[] {
  const others = byPath(game, second);
  return [...byPath(game, first)].flatMap(([folded, files]): SharedFile[] => {
    const there = others.get(folded);
    return there ? [{ path: files[0]!.path, equal: areEqual(files, there) }] : [];
  });
}

function areEqual(files: readonly ContentFile[], others: readonly ContentFile[]): SharedFile["equal"] {
  const pairs = files.flatMap((file) => others.map((other) => [file.hash, other.hash] as const));
  if (pairs.some(([a, b]) => a === null || b === null)) return null;
  const same = pairs.filter(([a, b]) => a === b).length;
  return same === 0 ? false : same === pairs.length ? true : "some";
}

function byPath(
  game: Pick<GameDefinition, "paths">,
  files: readonly ContentFile[],
): Map<string, ContentFile[]> {
  const all = new Map<string, ContentFile[]>();
  for (const file of files) {
    const folded = foldName(game, file.path);
    const there = all.get(folded);
    if (there) there.push(file);
    else all.set(folded, [file]);
  }
  return all;
}
