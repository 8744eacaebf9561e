import { say } from "@/core/language/say";
import type { ShelfMod } from "@/core/model/shelf";

export interface TagSize {
  readonly tag: string;
  readonly bytes: number;
  readonly mods: number;
}

/** Bytes on the disk by tag, the largest first; a mod counts once, under the first of its tags. */
export function sizesByTag(shelf: readonly ShelfMod[]): TagSize[] {
  const sums = new Map<string, TagSize>();
  for (const { tags, size } of shelf) {
    const tag = tags[0] ?? say("overview.noTag");
    const before = sums.get(tag) ?? { tag, bytes: 0, mods: 0 };
    sums.set(tag, { tag, bytes: before.bytes + size, mods: before.mods + 1 });
  }
  return [...sums.values()].sort((a, b) => b.bytes - a.bytes || (a.tag < b.tag ? -1 : 1));
}

export interface Growth {
  /** A day, or where there are many a month: `2026-11-02`, `2026-11`. */
  readonly when: string;
  readonly added: number;
  readonly total: number;
}

/** More days than this are told by month. */
const mostDays = 31;

/** How many mods were added when, and how many there were then. */
export function growthOf(shelf: readonly ShelfMod[]): Growth[] {
  const days = shelf.flatMap(({ added }) => (added ? [added.slice(0, 10)] : []));
  const isMany = new Set(days).size > mostDays;
  const counts = new Map<string, number>();
  for (const day of days.sort()) {
    const when = isMany ? day.slice(0, 7) : day;
    counts.set(when, (counts.get(when) ?? 0) + 1);
  }
  let total = 0;
  return [...counts].map(([when, added]) => ({ when, added, total: (total += added) }));
}
