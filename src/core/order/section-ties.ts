import type { Link } from "../model/problem";
import { NEEDS, SECTION, withReason, type Ties } from "./ties";

export interface Raised {
  item: string;
  section: string;
  effective: string;
  readonly because: readonly Link[];
}

/**
 * The effective section of every item (step 5 of the specification) and the borders between the sections of
 * each load rank. -1 where an item takes no part: it has no section, or a kept rule seats it first or last.
 */
export function keepSections(
  ties: Ties,
  fixedAtEnd: ReadonlySet<number>,
): { effective: Int32Array; raised: Raised[] } {
  const { problem, graph } = ties;
  const items = problem.ids.length;
  const reach = new Int32Array(items).fill(-1);
  const source = new Int32Array(items).fill(-1);
  const { outStart, outEdges, outTo } = graph.toDigraph();
  for (const v of graph.topological()) {
    if (v >= items || fixedAtEnd.has(v)) continue;
    if (problem.section[v]! >= reach[v]!) {
      reach[v] = problem.section[v]!;
      source[v] = v;
    }
    for (let at = outStart[v]!; at < outStart[v + 1]!; at++) {
      const w = outTo[at]!;
      if (w >= items || graph.origin[outEdges[at]!]! < NEEDS || problem.rank[w] !== problem.rank[v]) continue;
      if (reach[v]! <= reach[w]!) continue;
      reach[w] = reach[v]!;
      source[w] = source[v]!;
    }
  }
  const raised: Raised[] = [];
  const effective = new Int32Array(items).fill(-1);
  for (let v = 0; v < items; v++) {
    if (problem.section[v]! < 0 || fixedAtEnd.has(v)) continue;
    effective[v] = reach[v]!;
    if (reach[v]! > problem.section[v]!) raised.push(raise(ties, v, reach[v]!, source[v]!));
  }
  addSectionBorders(ties, effective);
  return { effective, raised };
}

function raise(ties: Ties, item: number, effective: number, source: number): Raised {
  const { ids, sections, section } = ties.problem;
  return withReason(
    { item: ids[item]!, section: sections[section[item]!]!, effective: sections[effective]! },
    ties.chainOfNow(source, item),
  );
}

function addSectionBorders(ties: Ties, effective: Int32Array): void {
  const { rank, ranks, sections } = ties.problem;
  const parts = Array.from({ length: ranks }, () => sections.map((): number[] => []));
  effective.forEach((section, item) => section >= 0 && parts[rank[item]!]![section]!.push(item));
  for (const sectionsOfRank of parts) ties.addBorders(sectionsOfRank, SECTION);
  ties.graph.settle();
}
