/** A directed graph in compressed rows: the out-edges of v are `outEdges[outStart[v] .. outStart[v + 1])`. */
export interface Digraph {
  readonly nodes: number;
  readonly from: Int32Array;
  readonly to: Int32Array;
  readonly outStart: Int32Array;
  readonly outEdges: Int32Array;
  /** Where each of `outEdges` leads, so that a sweep need not look twice. */
  readonly outTo: Int32Array;
}

/** Builds compressed rows by counting; edges of one node keep the order in which they are given. */
export function digraph(nodes: number, from: ArrayLike<number>, to: ArrayLike<number>): Digraph {
  const outStart = new Int32Array(nodes + 1);
  for (let e = 0; e < from.length; e++) outStart[from[e]! + 1]!++;
  for (let v = 0; v < nodes; v++) outStart[v + 1]! += outStart[v]!;
  const fill = outStart.slice(0, nodes);
  const outEdges = new Int32Array(from.length);
  const outTo = new Int32Array(from.length);
  for (let e = 0; e < from.length; e++) {
    const at = fill[from[e]!]!++;
    outEdges[at] = e;
    outTo[at] = to[e]!;
  }
  return { nodes, from: Int32Array.from(from), to: Int32Array.from(to), outStart, outEdges, outTo };
}
