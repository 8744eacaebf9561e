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
 * item can stay. How it is found without listing the pairs is told in match-inversions.ts.
 */
import { digraph, type Digraph } from "../graph/digraph";
import { matchInversions } from "./match-inversions";
import { reachedByPlaced, type PlacedOf } from "./most-placed";
import { seatMoved } from "./seat-moved";

export interface NearestOrder {
  /** 1 for each item that keeps its place relative to all others that keep theirs. */
  readonly stays: Uint8Array;
  /** As many inverted pairs (earlier now, later now) as there are moves. */
  readonly certificate: readonly (readonly [number, number])[];
  /** The items, by their current places, in the new order. */
  readonly order: Int32Array;
}

interface Preferences {
  readonly weightOf?: ((item: number) => number) | undefined;
  readonly placedOf?: PlacedOf | undefined;
}

/**
 * `graph` is acyclic; its nodes below `items` are items named by their current place, the others gates, each leading
 * only to items and to gates of higher number. `weightOf` says how many moves it saves if an item stays (1 if not given); one of weight 0 takes part in paths only
 * and never stays. `placedOf`: how many of them were placed by hand (none if not given).
 */
export function nearestOrder(
  graph: Digraph,
  items: number,
  { weightOf, placedOf }: Preferences = {},
): NearestOrder {
  const stays = new Uint8Array(items).fill(1);
  if (weightOf) stays.forEach((_, item) => (stays[item] = weightOf(item) > 0 ? 1 : 0));
  if (keepsEverything(graph, items)) return { stays, certificate: [], order: asTheyStand(items) };
  const certificate = fewestMoves(graph, stays, { weightOf, placedOf });
  return { stays, certificate, order: seatMoved(graph, stays) };
}

function asTheyStand(items: number): Int32Array {
  const order = new Int32Array(items);
  for (let item = 0; item < items; item++) order[item] = item;
  return order;
}

/** One sweep over the ties: none leads to an earlier item, be it over gates. */
function keepsEverything(graph: Digraph, items: number): boolean {
  const { nodes, from, to } = graph;
  for (let e = 0; e < from.length; e++) if (from[e]! > to[e]! && from[e]! < items) return false;
  return nodes === items || gatesKeepEverything(graph, items);
}

function gatesKeepEverything({ nodes, from, to, outStart, outTo }: Digraph, items: number): boolean {
  const furthest = new Int32Array(nodes).fill(-1);
  for (let e = 0; e < from.length; e++)
    if (to[e]! >= items && from[e]! < items) furthest[to[e]!] = Math.max(furthest[to[e]!]!, from[e]!);
  for (let gate = items; gate < nodes; gate++)
    for (let at = outStart[gate]!; at < outStart[gate + 1]!; at++) {
      const w = outTo[at]!;
      if (w < furthest[gate]!) return false;
      if (w >= items) furthest[w] = Math.max(furthest[w]!, furthest[gate]!);
    }
  return true;
}

/** Takes the items that must move out of `stays`, which has those of weight 0 taken out already. */
function fewestMoves(
  graph: Digraph,
  stays: Uint8Array,
  { weightOf, placedOf }: Preferences,
): [number, number][] {
  const place = new Int32Array(graph.nodes).fill(-1);
  for (let item = 0; item < stays.length; item++) if (stays[item] === 1) place[item] = item;
  const copied = weightOf ? withCopies(graph, place, weightOf) : { graph, place };
  const matching = matchInversions(copied.graph, copied.place);
  const { earlierOf } = matching;
  // A copy of an item stays or goes with it.
  const reached = placedOf
    ? reachedByPlaced(copied.graph, copied.place, matching, (v) => (v < stays.length ? placedOf(v) : 0))
    : matching.reached;
  const certificate: [number, number][] = [];
  for (let item = 0; item < stays.length; item++) {
    const earlier = earlierOf[item]!;
    if (earlier !== -1) certificate.push([earlier, item]);
    if (reached[item] === 1 || (earlier !== -1 && reached[earlier] === 0)) stays[item] = 0;
  }
  return certificate;
}

/**
 * An item of weight three has two more copies as an earlier end, which it leads to, and two as a later end, which lead
 * to it; all share its place. What holds of one copy holds of all, for the antichain does not depend on the matching.
 */
function withCopies(graph: Digraph, place: Int32Array, weightOf: (item: number) => number) {
  const heavy: number[] = [];
  place.forEach((at, v) => {
    for (let copy = 1; at !== -1 && copy < weightOf(v); copy++) heavy.push(v);
  });
  const laterEnds = heavy.map((_, at) => graph.nodes + at);
  const earlierEnds = heavy.map((_, at) => graph.nodes + heavy.length + at);
  const copied = digraph(
    graph.nodes + 2 * heavy.length,
    [...graph.from, ...laterEnds, ...heavy],
    [...graph.to, ...heavy, ...earlierEnds],
  );
  const places = heavy.map((v) => place[v]!);
  return { graph: copied, place: Int32Array.from([...place, ...places, ...places]) };
}
