import { longestIncreasing } from "./longest-increasing";

/** The same of numbered items, by the place that each has before and after: the numbers of those that move. */
export function movedPlaces(before: Int32Array, after: Int32Array): number[] {
  if (before.every((place, item) => place === after[item])) return [];
  const order = new Int32Array(before.length);
  for (const [item, place] of after.entries()) order[place] = item;
  const stay = new Set(longestIncreasing(Array.from(order, (item) => before[item]!)));
  return Array.from(order).filter((_, at) => !stay.has(at));
}

/** Of what both orders hold, the fewest whose moving makes the earlier order the later one; as they stand in the later. */
export function movedBetween(before: readonly string[], after: readonly string[]): string[] {
  const placeOf = new Map(before.map((id, place) => [id, place]));
  const shared = after.filter((id) => placeOf.has(id));
  const stay = new Set(longestIncreasing(shared.map((id) => placeOf.get(id)!)));
  return shared.filter((_, at) => !stay.has(at));
}
