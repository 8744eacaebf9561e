import type { OrderProblem } from "../model/problem";
import { findConstraints } from "../order/constraints";

/** What must come before what, closed under "before": reach[a][b] for places a, b. By plain search, for small problems. */
export function closure(problem: OrderProblem): boolean[][] {
  const { ties, problem: indexed } = findConstraints(problem);
  const { graph } = ties;
  const items = indexed.ids.length;
  const next: number[][] = Array.from({ length: graph.nodes }, () => []);
  for (let e = 0; e < graph.from.length; e++) next[graph.from[e]!]!.push(graph.to[e]!);
  return Array.from({ length: items }, (_, start) => {
    const seen = new Set<number>();
    const open = [start];
    for (let v = open.pop(); v !== undefined; v = open.pop())
      for (const w of next[v]!) if (!seen.has(w) && seen.add(w)) open.push(w);
    return Array.from({ length: items }, (_, item) => seen.has(item));
  });
}

/**
 * The places of what stays, by trying every set that could: one of the largest, of those one with the most placed items, and of
 * those the earliest.
 */
export function bestByTrying(
  reach: readonly (readonly boolean[])[],
  isPlaced: (place: number) => boolean,
): number[] {
  const n = reach.length;
  let best: number[] = [];
  const placedIn = (set: readonly number[]) => set.filter(isPlaced).length;
  const isBetter = (set: readonly number[]) => {
    if (set.length !== best.length) return set.length > best.length;
    if (placedIn(set) !== placedIn(best)) return placedIn(set) > placedIn(best);
    const at = set.findIndex((place, k) => place !== best[k]);
    return at !== -1 && set[at]! < best[at]!;
  };
  for (let set = 0; set < 1 << n; set++) {
    const members = Array.from({ length: n }, (_, at) => at).filter((at) => set & (1 << at));
    const inverted = members.some((i) => members.some((j) => i < j && reach[j]![i]));
    if (!inverted && isBetter(members)) best = members;
  }
  return best;
}

/** The fewest items that must move, by trying every set that could stay: it can if it holds no inverted pair. */
export function fewestByTrying(reach: readonly (readonly boolean[])[]): number {
  const n = reach.length;
  let most = 0;
  for (let set = 0; set < 1 << n; set++) {
    const members = Array.from({ length: n }, (_, at) => at).filter((at) => set & (1 << at));
    const inverted = members.some((i) => members.some((j) => i < j && reach[j]![i]));
    if (!inverted) most = Math.max(most, members.length);
  }
  return n - most;
}

/** Whether the order, as places, keeps everything. */
export function keepsAll(reach: readonly (readonly boolean[])[], order: readonly number[]): boolean {
  return order.every((item, at) => order.slice(at + 1).every((later) => !reach[later]![item]));
}
