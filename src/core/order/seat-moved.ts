import type { Digraph } from "../graph/digraph";
import { topologicalOrder } from "../graph/topological";

/**
 * The new order as current places (section 4 of the specification). What stays aims at its own place. A moved item
 * aims at the smaller of its own place and the first place of what stays and must follow it, but at least at the
 * aims of all that it must follow. Aims never fall along a tie, so a topological sort keyed by aim, then by place,
 * is the order sorted by aim.
 */
export function seatMoved(graph: Digraph, stays: Uint8Array, topological: Int32Array): Int32Array {
  const items = stays.length;
  const firstAfter = firstStayingAfter(graph, stays, topological);
  const aim = new Int32Array(graph.nodes);
  for (const v of topological) {
    if (v < items) aim[v] = stays[v] ? v : Math.max(aim[v]!, Math.min(v, firstAfter[v]!));
    for (let at = graph.outStart[v]!; at < graph.outStart[v + 1]!; at++) {
      const w = graph.to[graph.outEdges[at]!]!;
      aim[w] = Math.max(aim[w]!, aim[v]!);
    }
  }
  const scale = items + 1;
  const order = topologicalOrder(graph, (v) => aim[v]! * scale + (v < items ? v + 1 : 0));
  return order.filter((v) => v < items);
}

function firstStayingAfter(graph: Digraph, stays: Uint8Array, topological: Int32Array): Int32Array {
  const items = stays.length;
  const first = new Int32Array(graph.nodes).fill(items);
  for (let at = topological.length - 1; at >= 0; at--) {
    const v = topological[at]!;
    for (let out = graph.outStart[v]!; out < graph.outStart[v + 1]!; out++) {
      const w = graph.to[graph.outEdges[out]!]!;
      first[v] = Math.min(first[v]!, w < items && stays[w] ? Math.min(w, first[w]!) : first[w]!);
    }
  }
  return first;
}
