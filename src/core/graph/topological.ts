import type { Digraph } from "./digraph";
import { MinHeap } from "./heap";

/**
 * Kahn's topological sort (1962); among the nodes that are ready, the one with the smallest key comes first.
 * Nodes on a cycle, and all behind one, are left out: the result is then shorter than `graph.nodes`.
 */
export function topologicalOrder(graph: Digraph, key: (node: number) => number): Int32Array {
  const { nodes, outStart, outTo } = graph;
  const waiting = countIncoming(graph);
  const ready = new MinHeap(key);
  for (let v = 0; v < nodes; v++) if (waiting[v] === 0) ready.push(v);
  const order = new Int32Array(nodes);
  let filled = 0;
  while (ready.size > 0) {
    const v = ready.pop();
    order[filled++] = v;
    for (let at = outStart[v]!; at < outStart[v + 1]!; at++) {
      const w = outTo[at]!;
      if (--waiting[w]! === 0) ready.push(w);
    }
  }
  return filled === nodes ? order : order.subarray(0, filled);
}

/** The same where any topological order will do: first come, first served. */
export function anyTopologicalOrder(graph: Digraph): Int32Array {
  const { nodes, outStart, outTo } = graph;
  const waiting = countIncoming(graph);
  const order = new Int32Array(nodes);
  let filled = 0;
  for (let v = 0; v < nodes; v++) if (waiting[v] === 0) order[filled++] = v;
  for (let next = 0; next < filled; next++) {
    const v = order[next]!;
    for (let at = outStart[v]!; at < outStart[v + 1]!; at++) {
      const w = outTo[at]!;
      if (--waiting[w]! === 0) order[filled++] = w;
    }
  }
  return filled === nodes ? order : order.subarray(0, filled);
}

function countIncoming({ nodes, outTo }: Digraph): Int32Array {
  const waiting = new Int32Array(nodes);
  for (let at = 0; at < outTo.length; at++) waiting[outTo[at]!]!++;
  return waiting;
}
