import type { Digraph } from "./digraph";
import { MinHeap } from "./heap";

/**
 * Kahn's topological sort (1962); among the nodes that are ready, the one with the smallest key comes first.
 * Nodes on a cycle, and all behind one, are left out: the result is then shorter than `graph.nodes`.
 */
export function topologicalOrder(graph: Digraph, key: (node: number) => number): Int32Array {
  const { nodes, outStart, outEdges, to } = graph;
  const waiting = new Int32Array(nodes);
  for (let e = 0; e < to.length; e++) waiting[to[e]!]!++;
  const ready = new MinHeap(key);
  for (let v = 0; v < nodes; v++) if (waiting[v] === 0) ready.push(v);
  const order = new Int32Array(nodes);
  let filled = 0;
  while (ready.size > 0) {
    const v = ready.pop();
    order[filled++] = v;
    for (let at = outStart[v]!; at < outStart[v + 1]!; at++) {
      const w = to[outEdges[at]!]!;
      if (--waiting[w]! === 0) ready.push(w);
    }
  }
  return filled === nodes ? order : order.subarray(0, filled);
}
