import { longestIncreasing } from "./longest-increasing";

/** Of what both orders hold, the fewest whose moving makes the earlier order the later one; as they stand in the later. */
export function movedBetween(before: readonly string[], after: readonly string[]): string[] {
  const placeOf = new Map(before.map((id, place) => [id, place]));
  const shared = after.filter((id) => placeOf.has(id));
  const stay = new Set(longestIncreasing(shared.map((id) => placeOf.get(id)!)));
  return shared.filter((_, at) => !stay.has(at));
}
