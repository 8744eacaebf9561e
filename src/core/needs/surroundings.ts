import { neededByIn, needsIn, type NeedEdge, type NeedGraph, type NeedNode } from "./need-graph";

/** Something around the one that is looked at: `needed` by it, `needing` it, or in a circle with it. */
export interface Surrounding extends NeedNode {
  readonly role: "itself" | "needed" | "needing" | "both";
  /** How many needs lie between the two, by the shortest way. */
  readonly steps: number;
}

export interface Surroundings {
  /** The nearest first, of equally near ones what is needed first; the one that is looked at begins. */
  readonly nodes: readonly Surrounding[];
  /** Between these, and only along the ways that lead to the one that is looked at. */
  readonly edges: readonly NeedEdge[];
  /** How many it needs and how many need it, directly or through others, with those that are not listed. */
  readonly needed: number;
  readonly needing: number;
}

/** So many are drawn at most. */
export const mostDrawn = 300;

/** What a node needs and what needs it, directly or through others; null of one that is not in the graph. */
export function surroundingsOf(graph: NeedGraph, key: string, most = mostDrawn): Surroundings | null {
  if (!graph.nodes.has(key)) return null;
  const needed = reached(key, (at) => needsIn(graph, at).map(({ to }) => to));
  const needing = reached(key, (at) => neededByIn(graph, at).map(({ from }) => from));
  const all = [...new Set([...needed.keys(), ...needing.keys()])].map((at): Surrounding => {
    const [down, up] = [needed.get(at), needing.get(at)];
    const role =
      at === key ? "itself" : down === undefined ? "needing" : up === undefined ? "needed" : "both";
    return { ...graph.nodes.get(at)!, role, steps: Math.min(down ?? Infinity, up ?? Infinity) };
  });
  // Stable, and what is needed was put first.
  const nodes = all.sort((a, b) => a.steps - b.steps).slice(0, most);
  const shown = new Set(nodes.map((node) => node.key));
  const isWithin = ({ from, to }: NeedEdge) =>
    (needed.has(from) && needed.has(to)) || (needing.has(from) && needing.has(to));
  const edges = nodes.flatMap((node) =>
    needsIn(graph, node.key).filter((edge) => shown.has(edge.to) && isWithin(edge)),
  );
  return { nodes, edges, needed: needed.size - 1, needing: needing.size - 1 };
}

/** All that can be reached, by the fewest steps, the start with none among them. */
function reached(start: string, next: (key: string) => readonly string[]): Map<string, number> {
  const steps = new Map([[start, 0]]);
  // Grows while it is walked.
  for (const [key, far] of steps)
    for (const other of next(key)) if (!steps.has(other)) steps.set(other, far + 1);
  return steps;
}
