import type { Blocked } from "../roster/overlaps";
import type { Conflicts } from "./conflicts";

/**
 * Where one has a file and another a folder of that name: both cannot lie in one place of a disk. What lies packed has no place there.
 */
export function blockedIn(conflicts: Conflicts): Blocked[] {
  const { files, library } = conflicts;
  const loose = (key: number): string[] =>
    files.providedBy(key).flatMap(({ item, packed }) => (packed ? [] : [conflicts.modId(item)]));
  return library.paths.folders().flatMap((key): Blocked[] => {
    const [file] = loose(key);
    if (file === undefined) return [];
    const below = `${conflicts.path(key)}/`;
    const found = new Set<string>();
    for (const other of files.provided())
      if (conflicts.path(other).startsWith(below)) for (const id of loose(other)) found.add(id);
    return found.size > 0 ? [{ path: conflicts.path(key), file, folders: [...found] }] : [];
  });
}
