import type { Digraph } from "../graph/digraph";
import { topologicalOrder } from "../graph/topological";

/**
 * The new order as current places (section 4 of the specification). What stays aims at its own place. A moved item
 * aims at the smaller of its own place and the first place of what stays and must follow it, but at least at the
 * aims of all that it must follow. Aims never fall along a tie, so the order is the one by aim; items of equal aim
 * are sorted among themselves, by their ties and then by place.
 *
 * What stays knows its aim and keeps its ties with what stays, so that only the loose nodes, moved items and gates,
 * are looked at beyond one sweep over the ties.
 */
export function seatMoved(graph: Digraph, stays: Uint8Array): Int32Array {
  const items = stays.length;
  const loose = new Uint8Array(graph.nodes).fill(1);
  for (let item = 0; item < items; item++) loose[item] = 1 - stays[item]!;
  const aim = findAims(graph, loose, items);
  const sharers = new Int32Array(items + 1);
  for (let v = 0; v < graph.nodes; v++) sharers[aim[v]!]!++;
  const sorted = sortLoose(graph, loose, aim, sharers);
  const order = new Int32Array(items);
  let filled = 0;
  let next = 0;
  for (let place = 0; place <= items; place++) {
    if (sharers[place] === 1 && stays[place] === 1) order[filled++] = place;
    else
      for (let n = sharers[place]!; n > 0; n--, next++)
        if (sorted[next]! < items) order[filled++] = sorted[next]!;
  }
  return order;
}

function findAims(graph: Digraph, loose: Uint8Array, items: number): Int32Array {
  const { nodes, outStart, outTo } = graph;
  const aim = new Int32Array(nodes);
  const looseNodes: number[] = [];
  for (let v = 0; v < nodes; v++) {
    if (loose[v] === 1) {
      looseNodes.push(v);
      continue;
    }
    aim[v] = v;
    for (let at = outStart[v]!, end = outStart[v + 1]!; at < end; at++) {
      const w = outTo[at]!;
      if (loose[w] === 1 && aim[w]! < v) aim[w] = v;
    }
  }
  const sorted = topologicalOrder(
    graph,
    (v) => v,
    looseNodes,
    (_, w) => loose[w] === 1,
  );
  const firstAfter = firstStayingAfter(graph, loose, sorted, items);
  for (const v of sorted) {
    if (v < items) aim[v] = Math.max(aim[v]!, Math.min(v, firstAfter[v]!));
    for (let at = outStart[v]!; at < outStart[v + 1]!; at++) {
      const w = outTo[at]!;
      if (loose[w] === 1 && aim[w]! < aim[v]!) aim[w] = aim[v]!;
    }
  }
  return aim;
}

function firstStayingAfter(graph: Digraph, loose: Uint8Array, sorted: Int32Array, items: number): Int32Array {
  const { nodes, outStart, outTo } = graph;
  const first = new Int32Array(nodes).fill(items);
  for (let next = sorted.length - 1; next >= 0; next--) {
    const v = sorted[next]!;
    for (let at = outStart[v]!; at < outStart[v + 1]!; at++) {
      const w = outTo[at]!;
      first[v] = Math.min(first[v]!, loose[w] === 1 ? first[w]! : w);
    }
  }
  return first;
}

/** All nodes but the items that stay and have their aim to themselves: by aim, within it by ties, then by place. */
function sortLoose(graph: Digraph, loose: Uint8Array, aim: Int32Array, sharers: Int32Array): Int32Array {
  const items = sharers.length - 1;
  const some: number[] = [];
  for (let v = 0; v < graph.nodes; v++) if (loose[v] === 1 || sharers[v]! > 1) some.push(v);
  const scale = items + 1;
  return topologicalOrder(
    graph,
    (v) => aim[v]! * scale + (v < items ? v + 1 : 0),
    some,
    (v, w) => aim[v] === aim[w],
  );
}
