/**
 * Of the largest sets that can stay, one with the most items that were placed by hand, and of those the earliest.
 *
 * The largest antichains are the closed sets of alternating reachability: a later end brings all its partners with it, and a
 * partner the later end that it is matched with. Each matched pair is in as a whole or not at all; an item stays if and only
 * if the pair in which it is the later one is in, and that in which it is the earlier one is not. So the number of placed items
 * that stay is a sum over the pairs that are in: one more where the later item was placed, one less where the earlier one was.
 * A closed set of greatest sum is a closure problem (Picard 1976): what gains is matched with what it would bring and lose,
 * and all that is reached from what remains unmatched goes in; it is the smallest such set, and so the earliest antichain.
 */
import { BitRows } from "../graph/bit-rows";
import type { Digraph } from "../graph/digraph";
import { maximumMatching } from "../graph/matching";
import { anyTopologicalOrder } from "../graph/topological";
import type { InversionMatching } from "./match-inversions";

/** How many items that were placed a node stands for. */
export type PlacedOf = (node: number) => number;

/** What is reached when the sets with the most placed items are preferred: `reached` of the matching, and maybe more. */
export function reachedByPlaced(
  graph: Digraph,
  place: Int32Array,
  { laterOf, reached }: Pick<InversionMatching, "laterOf" | "reached">,
  placedOf: PlacedOf,
): Uint8Array {
  // The pairs that are open, by the place of the earlier end.
  const earlier = [...laterOf.keys()]
    .filter((v) => laterOf[v] !== -1 && reached[v] === 0)
    .sort((a, b) => place[a]! - place[b]!);
  const gains = earlier.map((v) => placedOf(laterOf[v]!) - placedOf(v));
  if (gains.every((gain) => gain <= 0)) return reached;
  const brings = closurePairs(graph, place, earlier, laterOf);
  const isShut = reachesUnmatched(graph, place, earlier, laterOf);
  const taken = greatestClosure(brings, gains, isShut);
  const all = reached.slice();
  for (const pair of taken) all[earlier[pair]!] = 1;
  return all;
}

/** By each open pair, the pairs that come with it at once: those whose earlier end its later end is inverted with. */
function closurePairs(
  graph: Digraph,
  place: Int32Array,
  earlier: readonly number[],
  laterOf: Int32Array,
): BitRows {
  const pairOf = new Int32Array(graph.nodes).fill(-1);
  earlier.forEach((v, pair) => (pairOf[v] = pair));
  const below = new BitRows(graph.nodes, earlier.length);
  const sorted = anyTopologicalOrder(graph);
  for (let next = sorted.length - 1; next >= 0; next--) {
    const v = sorted[next]!;
    for (let at = graph.outStart[v]!; at < graph.outStart[v + 1]!; at++) {
      const w = graph.outTo[at]!;
      below.merge(v, w);
      if (pairOf[w] !== -1) below.set(v, pairOf[w]!);
    }
  }
  const brings = new BitRows(earlier.length, earlier.length);
  earlier.forEach((v, pair) => {
    const later = laterOf[v]!;
    const end = earlier.findIndex((each) => place[each]! >= place[later]!);
    const last = end === -1 ? earlier.length : end;
    for (let other = 0; other < last; other++) if (below.has(later, other)) brings.set(pair, other);
  });
  return brings;
}

/** 1 for each open pair that would bring an earlier end that is matched with nothing: it cannot be in. */
function reachesUnmatched(
  graph: Digraph,
  place: Int32Array,
  earlier: readonly number[],
  laterOf: Int32Array,
): Uint8Array {
  const least = new Int32Array(graph.nodes).fill(place.length);
  const sorted = anyTopologicalOrder(graph);
  for (let next = sorted.length - 1; next >= 0; next--) {
    const v = sorted[next]!;
    for (let at = graph.outStart[v]!; at < graph.outStart[v + 1]!; at++) {
      const w = graph.outTo[at]!;
      if (least[w]! < least[v]!) least[v] = least[w]!;
      if (place[w] !== -1 && laterOf[w] === -1 && place[w]! < least[v]!) least[v] = place[w]!;
    }
  }
  return Uint8Array.from(earlier, (v) => (least[laterOf[v]!]! < place[laterOf[v]!]! ? 1 : 0));
}

/** The smallest of the closed sets of pairs whose gains add up to the most. */
function greatestClosure(brings: BitRows, gains: readonly number[], isShut: Uint8Array): Set<number> {
  const sources: { readonly pair: number; readonly reach: readonly number[] }[] = [];
  gains.forEach((gain, pair) => {
    if (gain <= 0) return;
    const reach = reachOf(brings, pair);
    if (!reach.some((each) => isShut[each])) for (let n = 0; n < gain; n++) sources.push({ pair, reach });
  });
  const costs = gains.flatMap((gain, pair) => Array.from({ length: Math.max(0, -gain) }, () => pair));
  const columnsOf = new Map<number, number[]>();
  costs.forEach((pair, column) => columnsOf.set(pair, [...(columnsOf.get(pair) ?? []), column]));
  const adjacent = new BitRows(sources.length, costs.length);
  sources.forEach(({ reach }, row) => {
    for (const pair of reach) for (const column of columnsOf.get(pair) ?? []) adjacent.set(row, column);
  });
  const { ofRight, ofLeft, reachedLeft } = maximumMatching(adjacent);
  const taken = new Set<number>();
  const take = (row: number) => sources[row]!.reach.forEach((pair) => taken.add(pair));
  ofRight.forEach((column, row) => column === -1 && take(row));
  reachedLeft.forEach((isReached, column) => isReached && take(ofLeft[column]!));
  return taken;
}

/** A pair and all that it brings, and what those bring. */
function reachOf(brings: BitRows, start: number): number[] {
  const seen = new Uint8Array(brings.rows);
  const found = [start];
  seen[start] = 1;
  for (let at = 0; at < found.length; at++)
    for (let word = 0; word < brings.words; word++)
      for (let bits = brings.word(found[at]!, word); bits !== 0; bits &= bits - 1) {
        const pair = (word << 5) + (31 - Math.clz32(bits & -bits));
        if (seen[pair] === 0) found.push(pair);
        seen[pair] = 1;
      }
  return found;
}
