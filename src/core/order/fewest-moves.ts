/**
 * The fewest moves, and the proof that no valid order has fewer.
 *
 *   now:  A  B  C  D     C needs D, B needs D        Let i stand before j now. (i, j) is inverted if j must come
 *         |  |   \/      inverted: (B,D) (C,D)       before i. Inversion is a strict partial order, so items can
 *         |   \  /\      matching: B-D               keep their relative order if and only if they are an antichain.
 *   then: A  D  B  C     moves: 1                    Dilworth (1950): the largest antichain has as many items as a
 *                                                    smallest cover by chains has chains; a maximum matching of the
 * inverted pairs (Hopcroft and Karp 1973) links items into n - |M| chains, so exactly |M| items must move. Kőnig
 * (1931) reads the antichain off that matching. The largest antichains form a lattice; searching from the unmatched
 * *later* ends finds its earliest member, whichever matching was found, so that of two equally good items the one that
 * stands earlier stays. The matching itself is the certificate: each pair is one link of a chain of which only one
 * item can stay.
 *
 * Only suspects (suspects.ts) can be in an inverted pair or on the path between its ends; the closure is built over them.
 */
import { BitRows } from "../graph/bit-rows";
import { maximumMatching } from "../graph/matching";
import type { Digraph } from "../graph/digraph";
import { findSuspects } from "./suspects";

export interface FewestMoves {
  /** 1 for each item that keeps its place relative to all others that keep theirs. */
  readonly stays: Uint8Array;
  /** As many inverted pairs (earlier now, later now) as there are moves. */
  readonly certificate: [number, number][];
}

/**
 * `graph` is acyclic; its nodes below `items` are items named by their current place, the others gates.
 * `weightOf` says how many moves it saves if an item stays (1 if not given): one of weight 3 is matched as three
 * copies that are no ties of one another, and one of weight 0 takes part in paths only and never stays.
 */
export function fewestMoves(
  graph: Digraph,
  items: number,
  weightOf: (item: number) => number = () => 1,
): FewestMoves {
  const stays = Uint8Array.from({ length: items }, (_, item) => (weightOf(item) > 0 ? 1 : 0));
  const suspects = findSuspects(graph, items);
  if (suspects.length === 0) return { stays, certificate: [] };
  const places = [...suspects].filter((v) => v < items && weightOf(v) > 0).sort((a, b) => a - b);
  const copies = places.flatMap((place, at) => Array.from({ length: weightOf(place) }, () => at));
  const inverted = invertedPairs(graph, suspects, places);
  const matching = maximumMatching(
    copies.length === places.length ? inverted : copyRows(inverted, copies),
    copies.length,
  );
  copies.forEach((at, copy) => {
    if (!matching.reachedRight[copy] || matching.reachedLeft[copy]) stays[places[at]!] = 0;
  });
  const certificate: [number, number][] = [];
  matching.ofRight.forEach((earlier, later) => {
    if (earlier !== -1) certificate.push([places[copies[earlier]!]!, places[copies[later]!]!]);
  });
  return { stays, certificate };
}

/** The pairs again, with every item as often as it is copied. */
function copyRows(pairs: BitRows, copies: readonly number[]): BitRows {
  const copied = new BitRows(copies.length, copies.length);
  copies.forEach((right, row) =>
    copies.forEach((left, column) => {
      if (pairs.has(right, left)) copied.set(row, column);
    }),
  );
  return copied;
}

/** Row r holds the items that stand before `places[r]` now and must come after it. */
function invertedPairs(graph: Digraph, suspects: Int32Array, places: readonly number[]): BitRows {
  const { to, outStart, outEdges } = graph;
  const rowOf = new Int32Array(graph.nodes).fill(-1);
  places.forEach((place, at) => (rowOf[place] = at));
  let rows = places.length;
  for (const v of suspects) if (rowOf[v] === -1) rowOf[v] = rows++;
  const after = new BitRows(rows, places.length);
  for (let at = suspects.length - 1; at >= 0; at--) {
    const v = suspects[at]!;
    const row = rowOf[v]!;
    for (let out = outStart[v]!; out < outStart[v + 1]!; out++) {
      const next = rowOf[to[outEdges[out]!]!]!;
      if (next === -1) continue;
      after.merge(row, next);
      if (next < places.length) after.set(row, next);
    }
  }
  after.keepLower(places.length);
  return after;
}
