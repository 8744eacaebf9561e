import type { Link, SetAside } from "../model/problem";
import { components } from "../graph/components";
import { digraph, type Digraph } from "../graph/digraph";
import { ShortestCycles } from "../graph/shortest-cycles";
import type { IndexedProblem } from "./indexed";
import { CLASS, NEEDS, withReason, type Ties } from "./ties";

export interface Cycle {
  items: string[];
  links: Link[];
}

interface Need {
  item: number;
  other: number;
}

/**
 * Keeps what the items need (steps 2 and 3 of the specification). A need that points to a later load rank is set
 * aside. Within a cycle the needs that agree with the current order are kept first, then each other one that
 * closes no cycle with those.
 */
export function keepNeeds(ties: Ties): { setAside: SetAside[]; cycles: Cycle[] } {
  const { problem } = ties;
  const setAside: SetAside[] = [];
  const needs: Need[] = [];
  problem.needs.forEach((others, item) => {
    for (const other of others) {
      if (problem.rank[other]! <= problem.rank[item]!) needs.push({ item, other });
      else setAside.push(needSetAside(problem, item, other, () => [ties.link(item, other, CLASS)]));
    }
  });
  const places = problem.ids.length;
  const graph = digraph(
    places,
    needs.map((need) => need.other),
    needs.map((need) => need.item),
  );
  const inComponents = components(graph);
  const { component } = inComponents;
  const contested: Need[] = [];
  for (const need of needs) {
    const within = component[need.item] === component[need.other];
    if (within && need.other >= need.item) contested.push(need);
    else ties.graph.addEdge(need.other, need.item, NEEDS);
  }
  addRankBorders(ties);
  ties.graph.settle();
  for (const { item, other } of contested) {
    if (ties.graph.tryEdge(other, item, NEEDS)) continue;
    setAside.push(needSetAside(problem, item, other, ties.chainOfNow(item, other)));
  }
  return { setAside, cycles: reportCycles(problem, graph, inComponents) };
}

function needSetAside(problem: IndexedProblem, item: number, other: number, because: () => Link[]): SetAside {
  const rule = { kind: "needs", item: problem.ids[item]!, other: problem.ids[other]! } as const;
  return withReason({ rule }, because);
}

function addRankBorders(ties: Ties): void {
  const parts: number[][] = Array.from({ length: ties.problem.ranks }, () => []);
  ties.problem.rank.forEach((rank, place) => parts[rank]!.push(place));
  ties.addBorders(parts, CLASS);
}

function reportCycles(
  problem: IndexedProblem,
  graph: Digraph,
  { component, count }: { component: Int32Array; count: number },
): Cycle[] {
  const circular = new Uint8Array(count);
  for (let e = 0; e < graph.from.length; e++) {
    const at = component[graph.from[e]!]!;
    if (at === component[graph.to[e]!]) circular[at] = 1;
  }
  const members = new Map<number, number[]>();
  component.forEach((at, place) => {
    if (circular[at] === 0) return;
    const known = members.get(at);
    if (known) known.push(place);
    else members.set(at, [place]);
  });
  const shortest = new ShortestCycles(graph);
  return [...members.values()].map((places) => {
    const cycle = shortest.within(places);
    return {
      items: places.map((place) => problem.ids[place]!),
      links: cycle.map((place, at) => ({
        before: problem.ids[place]!,
        after: problem.ids[cycle[(at + 1) % cycle.length]!]!,
        because: "needs",
      })),
    };
  });
}
