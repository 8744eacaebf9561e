import type { ProblemRule } from "../model/problem";
import type { Overlap } from "./overlap";

const weight = 0.1;

/**
 * The faint preference that the broader of two loads earlier, so that the narrower, which was made with one thing in
 * mind, wins. Only for pairs with a plugin that nobody has placed yet: what is arranged stays as it is.
 */
export function broaderFirstRules(
  overlaps: readonly Overlap[],
  isUnplaced: (plugin: string) => boolean,
): ProblemRule[] {
  return overlaps
    .filter(({ equal }) => !equal)
    .filter(({ broader, narrower }) => isUnplaced(broader) || isUnplaced(narrower))
    .map(({ broader, narrower }) => ({
      id: `broader-first:${broader} ${narrower}`,
      source: { kind: "broader-first" },
      kind: "before",
      item: broader,
      other: narrower,
      strength: "prefer",
      weight,
    }));
}
