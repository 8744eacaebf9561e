import type { Digraph } from "./digraph";
import { MinHeap } from "./heap";

/**
 * Kahn's topological sort (1962); among the nodes that are ready, the one with the smallest key comes first. Nodes on a
 * cycle, and all behind one, are left out: the result is then shorter. `some` are the nodes to sort, and `counts` says
 * which edges between them are kept to.
 */
export function topologicalOrder(
  { nodes, outStart, outTo }: Digraph,
  key: (node: number) => number,
  some: ArrayLike<number> = Int32Array.from({ length: nodes }, (_, v) => v),
  counts: (from: number, to: number) => boolean = () => true,
): Int32Array {
  const waiting = new Int32Array(nodes);
  const eachNext = (v: number, visit: (w: number) => void) => {
    for (let at = outStart[v]!; at < outStart[v + 1]!; at++) if (counts(v, outTo[at]!)) visit(outTo[at]!);
  };
  for (let at = 0; at < some.length; at++) eachNext(some[at]!, (w) => waiting[w]!++);
  const ready = new MinHeap(key);
  for (let at = 0; at < some.length; at++) if (waiting[some[at]!] === 0) ready.push(some[at]!);
  const order = new Int32Array(some.length);
  let filled = 0;
  while (ready.size > 0) {
    const v = ready.pop();
    order[filled++] = v;
    eachNext(v, (w) => {
      if (--waiting[w]! === 0) ready.push(w);
    });
  }
  return filled === order.length ? order : order.subarray(0, filled);
}

/** Of all nodes, where any topological order will do: first come, first served. */
export function anyTopologicalOrder({ nodes, outStart, outTo }: Digraph): Int32Array {
  const waiting = new Int32Array(nodes);
  for (let at = 0; at < outTo.length; at++) waiting[outTo[at]!]!++;
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
