/**
 * Which nodes can lie on a path between the ends of an inverted pair, found without looking at the rest.
 *
 * An edge is violated if it leads to a node that stands before its start. A node is suspect if the start of a violated
 * edge that stands after it reaches it, or if it reaches the end of a violated edge that stands before it:
 *
 *   now:   A  B  C  D       D -> B is violated (D stands after B).  B -> C follows, so C is suspect as well: D reaches it.
 *                           A is not: nothing violated leads to it, and it leads to nothing violated.
 *
 * Searching from the latest starts first, and backwards from the earliest ends first, every node is entered once.
 * A gate stands right after the last of what leads into it, so that only its ways out can be violated.
 */
import type { Digraph } from "../graph/digraph";

/** Suspect nodes, each before those that it points to; empty where the present order keeps everything. */
export function findSuspects(graph: Digraph, items: number): Int32Array {
  const places = placesOf(graph, items);
  const violated = violatedEdges(graph, places);
  if (violated.length === 0) return new Int32Array(0);
  const suspect = new Uint8Array(graph.nodes);
  markForward(graph, places, violated, suspect);
  markBackward(graph, places, violated, suspect);
  return sortTopologically(graph, suspect);
}

function placesOf({ nodes, from, to }: Digraph, items: number): Float64Array {
  const places = new Float64Array(nodes);
  for (let v = 0; v < items; v++) places[v] = v;
  if (nodes === items) return places;
  places.fill(-1, items);
  for (let e = 0; e < from.length; e++) {
    const gate = to[e]!;
    if (gate >= items && from[e]! < items && from[e]! + 0.5 > places[gate]!) places[gate] = from[e]! + 0.5;
  }
  // A gate leads only to gates that were made after it.
  const chained: number[] = [];
  for (let e = 0; e < from.length; e++) if (from[e]! >= items && to[e]! >= items) chained.push(e);
  chained.sort((a, b) => from[a]! - from[b]!);
  for (const e of chained) places[to[e]!] = Math.max(places[to[e]!]!, places[from[e]!]!);
  return places;
}

function violatedEdges({ from, to }: Digraph, places: Float64Array): number[] {
  const violated: number[] = [];
  for (let e = 0; e < from.length; e++) if (places[from[e]!]! > places[to[e]!]!) violated.push(e);
  return violated;
}

function markForward(
  { from, to, outStart, outEdges }: Digraph,
  places: Float64Array,
  violated: number[],
  suspect: Uint8Array,
): void {
  const seen = new Uint8Array(suspect.length);
  const open: number[] = [];
  violated.sort((a, b) => places[from[b]!]! - places[from[a]!]!);
  for (const edge of violated) {
    const start = places[from[edge]!]!;
    open.push(to[edge]!);
    while (open.length > 0) {
      const v = open.pop()!;
      if (seen[v] === 1 || places[v]! >= start) continue;
      seen[v] = 1;
      suspect[v] = 1;
      for (let at = outStart[v]!; at < outStart[v + 1]!; at++) open.push(to[outEdges[at]!]!);
    }
  }
}

function markBackward(graph: Digraph, places: Float64Array, violated: number[], suspect: Uint8Array): void {
  const { from, to } = graph;
  const { start: inStart, edges: inEdges } = incoming(graph);
  const seen = new Uint8Array(suspect.length);
  const open: number[] = [];
  violated.sort((a, b) => places[to[a]!]! - places[to[b]!]!);
  for (const edge of violated) {
    const end = places[to[edge]!]!;
    open.push(from[edge]!);
    while (open.length > 0) {
      const v = open.pop()!;
      if (seen[v] === 1 || places[v]! <= end) continue;
      seen[v] = 1;
      suspect[v] = 1;
      for (let at = inStart[v]!; at < inStart[v + 1]!; at++) open.push(from[inEdges[at]!]!);
    }
  }
}

function incoming({ nodes, to }: Digraph): { start: Int32Array; edges: Int32Array } {
  const start = new Int32Array(nodes + 1);
  for (let e = 0; e < to.length; e++) start[to[e]! + 1]!++;
  for (let v = 0; v < nodes; v++) start[v + 1]! += start[v]!;
  const fill = start.slice(0, nodes);
  const edges = new Int32Array(to.length);
  for (let e = 0; e < to.length; e++) edges[fill[to[e]!]!++] = e;
  return { start, edges };
}

/** Depth first, without recursion; a node is finished once all that it points to are. */
function sortTopologically({ nodes, to, outStart, outEdges }: Digraph, suspect: Uint8Array): Int32Array {
  const cursor = outStart.slice(0, nodes);
  const entered = new Uint8Array(nodes);
  let count = 0;
  for (let v = 0; v < nodes; v++) count += suspect[v]!;
  const order = new Int32Array(count);
  const path: number[] = [];
  for (let root = 0; root < nodes; root++) {
    if (suspect[root] === 0 || entered[root] === 1) continue;
    entered[root] = 1;
    path.push(root);
    while (path.length > 0) {
      const v = path[path.length - 1]!;
      if (cursor[v]! === outStart[v + 1]!) {
        order[--count] = v;
        path.pop();
        continue;
      }
      const w = to[outEdges[cursor[v]!++]!]!;
      if (suspect[w] === 0 || entered[w] === 1) continue;
      entered[w] = 1;
      path.push(w);
    }
  }
  return order;
}
