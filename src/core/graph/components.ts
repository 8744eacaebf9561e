import type { Digraph } from "./digraph";

/**
 * Strongly connected components by Tarjan's algorithm (1972), without recursion.
 * `component[v]` numbers the components in reverse topological order.
 */
export function components(graph: Digraph): { component: Int32Array; count: number } {
  const { nodes, outStart, outEdges, to } = graph;
  const component = new Int32Array(nodes).fill(-1);
  const low = new Int32Array(nodes);
  const entered = new Int32Array(nodes).fill(-1);
  const cursor = outStart.slice(0, nodes);
  const open: number[] = [];
  const path: number[] = [];
  let clock = 0;
  let count = 0;
  const enter = (v: number) => {
    entered[v] = low[v] = clock++;
    open.push(v);
    path.push(v);
  };
  const close = (v: number) => {
    let member;
    do {
      member = open.pop()!;
      component[member] = count;
    } while (member !== v);
    count++;
  };
  for (let root = 0; root < nodes; root++) {
    if (entered[root] !== -1) continue;
    enter(root);
    while (path.length > 0) {
      const v = path[path.length - 1]!;
      if (cursor[v]! < outStart[v + 1]!) {
        const w = to[outEdges[cursor[v]!++]!]!;
        if (entered[w] === -1) enter(w);
        else if (component[w] === -1) low[v] = Math.min(low[v]!, entered[w]!);
        continue;
      }
      path.pop();
      const parent = path[path.length - 1];
      if (parent !== undefined) low[parent] = Math.min(low[parent]!, low[v]!);
      if (low[v] === entered[v]) close(v);
    }
  }
  return { component, count };
}
