import type { Link, SetAside } from "../model/problem";
import { components } from "../graph/components";
import { digraph } from "../graph/digraph";
import type { IndexedProblem } from "./indexed";
import { CLASS, NEEDS, type Ties } from "./ties";

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
      else setAside.push(needSetAside(problem, item, other, [ties.link(item, other, CLASS)]));
    }
  });
  const places = problem.ids.length;
  const graph = digraph(
    places,
    needs.map((need) => need.other),
    needs.map((need) => need.item),
  );
  const { component, count } = components(graph);
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
    setAside.push(needSetAside(problem, item, other, ties.chain(item, other) ?? []));
  }
  return { setAside, cycles: reportCycles(problem, needs, component, count) };
}

function needSetAside(problem: IndexedProblem, item: number, other: number, because: Link[]): SetAside {
  return { rule: { kind: "needs", item: problem.ids[item]!, other: problem.ids[other]! }, because };
}

function addRankBorders(ties: Ties): void {
  const parts: number[][] = Array.from({ length: ties.problem.ranks }, () => []);
  ties.problem.rank.forEach((rank, place) => parts[rank]!.push(place));
  ties.addBorders(parts, CLASS);
}

function reportCycles(
  problem: IndexedProblem,
  needs: readonly Need[],
  component: Int32Array,
  count: number,
): Cycle[] {
  const inside = new Map<number, Map<number, number[]>>();
  for (const { item, other } of needs) {
    const at = component[item]!;
    if (at !== component[other]) continue;
    const followers = inside.get(at) ?? new Map<number, number[]>();
    inside.set(at, followers);
    followers.set(other, [...(followers.get(other) ?? []), item]);
  }
  const members: number[][] = Array.from({ length: count }, () => []);
  component.forEach((at, place) => inside.has(at) && members[at]!.push(place));
  return members
    .filter((places) => places.length > 0)
    .sort((a, b) => a[0]! - b[0]!)
    .map((places) => {
      const cycle = shortestCycle(places, inside.get(component[places[0]!]!)!);
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

/** A shortest cycle by a breadth-first search from every member; of equal ones that of the earliest start. */
function shortestCycle(places: readonly number[], followers: ReadonlyMap<number, number[]>): number[] {
  let best: number[] = [];
  for (const start of places) {
    const cycle = cycleThrough(start, followers, best.length || Infinity);
    if (cycle) best = cycle;
    if (best.length === 1) break;
  }
  return best;
}

function cycleThrough(
  start: number,
  followers: ReadonlyMap<number, number[]>,
  limit: number,
): number[] | null {
  const via = new Map<number, number>();
  let frontier = [start];
  for (let length = 1; frontier.length > 0 && length < limit; length++) {
    const next: number[] = [];
    for (const v of frontier) {
      for (const w of followers.get(v) ?? []) {
        if (w === start) return trace(via, start, v);
        if (via.has(w)) continue;
        via.set(w, v);
        next.push(w);
      }
    }
    frontier = next;
  }
  return null;
}

function trace(via: ReadonlyMap<number, number>, start: number, end: number): number[] {
  const path = [end];
  for (let v = end; v !== start;) path.push((v = via.get(v)!));
  return path.reverse();
}
