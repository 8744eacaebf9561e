import type { Link } from "../model/problem";
import { BitRows } from "../graph/bit-rows";
import { digraph, type Digraph } from "../graph/digraph";
import type { Constraints } from "./constraints";
import { BRIDGE } from "./ties";

/** Places at which items may stand, first and last, by their present place. */
export interface PlaceRanges {
  readonly first: Int32Array;
  readonly last: Int32Array;
}

/**
 * For every item the places that it may go to while all others stay put; first > last where none keeps its ties.
 * One sweep over the ties.
 */
export function rangesStayingPut({ ties, problem }: Constraints): PlaceRanges {
  const items = problem.ids.length;
  const graph = ties.graph.toDigraph();
  const after = new Int32Array(graph.nodes).fill(-1);
  const before = new Int32Array(graph.nodes).fill(items);
  const topological = ties.graph.topological();
  for (const v of topological)
    eachNext(graph, v, (w) => (after[w] = Math.max(after[w]!, v < items ? v : after[v]!)));
  for (let at = topological.length - 1; at >= 0; at--) {
    const v = topological[at]!;
    eachNext(graph, v, (w) => (before[v] = Math.min(before[v]!, w < items ? w : before[w]!)));
  }
  // Taken out, an item leaves a hole: what stood behind it moves up by one place.
  const first = Int32Array.from({ length: items }, (_, v) => (after[v]! < v ? after[v]! + 1 : after[v]!));
  const last = Int32Array.from({ length: items }, (_, v) => (before[v]! > v ? before[v]! - 1 : before[v]!));
  return { first, last };
}

/** For every item the first and last place that it has in any valid order: behind its ancestors, before its descendants. */
export function rangesInAnyOrder({ ties, problem }: Constraints): PlaceRanges {
  const items = problem.ids.length;
  const topological = ties.graph.topological();
  const forward = ties.graph.toDigraph();
  const backward = digraph(forward.nodes, forward.to, forward.from);
  const descendants = countReached(forward, [...topological].reverse(), items);
  const ancestors = countReached(backward, [...topological], items);
  return { first: ancestors, last: descendants.map((count) => items - 1 - count) };
}

const blockOfItems = 4096;

/** How many items each item reaches; `order` has every node after those that it points to. In blocks, to bound memory. */
function countReached(graph: Digraph, order: readonly number[], items: number): Int32Array {
  const counts = new Int32Array(items);
  for (let from = 0; from < items; from += blockOfItems) {
    const width = Math.min(blockOfItems, items - from);
    const reach = new BitRows(graph.nodes, width);
    for (const v of order) {
      eachNext(graph, v, (w) => {
        reach.merge(v, w);
        if (w >= from && w < from + width) reach.set(v, w - from);
      });
      if (v < items) counts[v]! += countBits(reach.row(v));
    }
  }
  return counts;
}

function countBits(words: Uint32Array): number {
  let count = 0;
  for (let word of words) for (; word !== 0; word = (word & (word - 1)) >>> 0) count++;
  return count;
}

function eachNext(graph: Digraph, v: number, visit: (w: number) => void): void {
  for (let at = graph.outStart[v]!; at < graph.outStart[v + 1]!; at++) visit(graph.outTo[at]!);
}

export interface WhyHere {
  /** Ties with what must come before, the tightest (nearest in the present order) first. */
  readonly above: readonly Link[];
  readonly below: readonly Link[];
}

/** The ties that hold an item from above and below, each with its origin; load ranks and sections by their nearest item. */
export function whyHere(constraints: Constraints, id: string): WhyHere | null {
  const { problem, ties } = constraints;
  const place = problem.placeOf.get(id);
  if (place === undefined) return null;
  const { from, to, origin, items } = ties.graph;
  const above = new Map<number, Link>();
  const below = new Map<number, Link>();
  for (let e = 0; e < from.length; e++) {
    const [a, b] = [from[e]!, to[e]!];
    if (b === place && a < items) above.set(a, ties.link(a, place, origin[e]!));
    if (a === place && b < items) below.set(b, ties.link(place, b, origin[e]!));
  }
  const ranges = nearestOverGates(constraints, place);
  if (ranges.above && !above.has(ranges.above.item)) above.set(ranges.above.item, ranges.above.link);
  if (ranges.below && !below.has(ranges.below.item)) below.set(ranges.below.item, ranges.below.link);
  const nearest = (found: Map<number, Link>) =>
    [...found].sort(([a], [b]) => Math.abs(a - place) - Math.abs(b - place)).map(([, link]) => link);
  return { above: nearest(above), below: nearest(below) };
}

/** Of what stands on the far side of the item's own gates, the nearest one each way. */
function nearestOverGates({ ties }: Constraints, place: number) {
  const { from, to, items } = ties.graph;
  let above: { item: number; link: Link } | null = null;
  let below: { item: number; link: Link } | null = null;
  for (let e = 0; e < from.length; e++) {
    if (to[e] === place && from[e]! >= items) above = nearer(above, acrossGate(ties, e, "up"), place);
    if (from[e] === place && to[e]! >= items) below = nearer(below, acrossGate(ties, e, "down"), place);
  }
  return { above, below };
}

type Across = { item: number; link: Link } | null;

const nearer = (a: Across, b: Across, place: number): Across =>
  !a || (b && Math.abs(b.item - place) < Math.abs(a.item - place)) ? (b ?? a) : a;

function acrossGate(ties: Constraints["ties"], edge: number, way: "up" | "down"): Across {
  const { from, to, origin, items } = ties.graph;
  const gate = way === "up" ? from[edge]! : to[edge]!;
  const place = way === "up" ? to[edge]! : from[edge]!;
  let best: Across = null;
  for (let e = 0; e < from.length; e++) {
    const [near, far] = way === "up" ? [to[e]!, from[e]!] : [from[e]!, to[e]!];
    if (near !== gate || far >= items) continue;
    const named = origin[e] === BRIDGE ? origin[edge]! : origin[e]!;
    const link = way === "up" ? ties.link(far, place, named) : ties.link(place, far, named);
    best = nearer(best, { item: far, link }, place);
  }
  return best;
}
