import type { Conflicts } from "./conflicts";

/** Another mod that brings every file of an item, by its number, in the same contents; null where none does. The game itself is no copy, nor has it any. */
export function copyOf(conflicts: Conflicts, item: number): string | null {
  const { files } = conflicts;
  if (conflicts.modId(item) === "" || files.figuresOf(item).alone > 0) return null;
  let candidates: readonly number[] | null = null;
  for (const key of files.keysOf(item)) {
    const same = new Set(files.comparedTo(key, item).flatMap((each) => (each.equal ? each.item : [])));
    candidates = (
      candidates ?? [...same].filter((each) => each !== item && conflicts.modId(each) !== "")
    ).filter((each) => same.has(each));
    if (candidates.length === 0) return null;
  }
  const [found] = candidates ?? [];
  return found === undefined ? null : conflicts.modId(found);
}
