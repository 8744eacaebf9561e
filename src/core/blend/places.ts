import type { ListEntry } from "../model/additive-list";

/** A multiset of places: how often each (depth, share) stands there. */
export type Places = ReadonlyMap<number, number>;

/** Depth and share as one number; both take 16 bits. */
export const placeOf = ({ depth, share }: Pick<ListEntry, "depth" | "share">): number =>
  depth * 0x10000 + share;

/** The places of each name of a list, in the order in which the names first stand in it. */
export function placesByName(entries: readonly ListEntry[]): ReadonlyMap<string, Places> {
  const byName = new Map<string, Map<number, number>>();
  for (const entry of entries) {
    let places = byName.get(entry.name);
    if (!places) byName.set(entry.name, (places = new Map<number, number>()));
    const place = placeOf(entry);
    places.set(place, (places.get(place) ?? 0) + 1);
  }
  return byName;
}

export const samePlaces = (a: Places, b: Places): boolean =>
  a.size === b.size && [...a].every(([place, count]) => b.get(place) === count);

/** Each place as often as in the one of the two that has it more often. */
export function unionOf(a: Places, b: Places): Places {
  const union = new Map(a);
  for (const [place, count] of b) union.set(place, Math.max(count, union.get(place) ?? 0));
  return union;
}

/** Whether two lists hold the same, in whatever order. */
export function sameEntries(a: readonly ListEntry[], b: readonly ListEntry[]): boolean {
  if (a.length !== b.length) return false;
  const [here, there] = [placesByName(a), placesByName(b)];
  if (here.size !== there.size) return false;
  return [...here].every(([name, places]) => {
    const others = there.get(name);
    return others !== undefined && samePlaces(places, others);
  });
}
