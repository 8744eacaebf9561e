import type { Link } from "../model/problem";
import type { Constraints } from "./constraints";
import { BRIDGE } from "./ties";

interface WhyHere {
  /** Ties with what must come before, the tightest (nearest in the present order) first. */
  readonly above: readonly Link[];
  readonly below: readonly Link[];
}

/** The ties that hold an item from above and below, each with its origin; load ranks and sections by their nearest item. */
export function whyHere(constraints: Constraints, id: string): WhyHere | null {
  const { problem, ties } = constraints;
  const place = problem.placeOf.get(id);
  if (place === undefined) return null;
  const { from, to, origin, items } = ties.graph;
  const above = new Map<number, Link>();
  const below = new Map<number, Link>();
  for (let e = 0; e < from.length; e++) {
    const [a, b] = [from[e]!, to[e]!];
    if (b === place && a < items) above.set(a, ties.link(a, place, origin[e]!));
    if (a === place && b < items) below.set(b, ties.link(place, b, origin[e]!));
  }
  const ranges = nearestOverGates(constraints, place);
  if (ranges.above && !above.has(ranges.above.item)) above.set(ranges.above.item, ranges.above.link);
  if (ranges.below && !below.has(ranges.below.item)) below.set(ranges.below.item, ranges.below.link);
  const nearest = (found: Map<number, Link>) =>
    [...found].sort(([a], [b]) => Math.abs(a - place) - Math.abs(b - place)).map(([, link]) => link);
  return { above: nearest(above), below: nearest(below) };
}

/** Of what stands on the far side of the item's own gates, the nearest one each way. */
function nearestOverGates({ ties }: Constraints, place: number) {
  const { from, to, items } = ties.graph;
  let above: { item: number; link: Link } | null = null;
  let below: { item: number; link: Link } | null = null;
  for (let e = 0; e < from.length; e++) {
    if (to[e] === place && from[e]! >= items) above = nearer(above, acrossGate(ties, e, "up"), place);
    if (from[e] === place && to[e]! >= items) below = nearer(below, acrossGate(ties, e, "down"), place);
  }
  return { above, below };
}

type Across = { item: number; link: Link } | null;

const nearer = (a: Across, b: Across, place: number): Across =>
  !a || (b && Math.abs(b.item - place) < Math.abs(a.item - place)) ? (b ?? a) : a;

function acrossGate(ties: Constraints["ties"], edge: number, way: "up" | "down"): Across {
  const { from, to, origin, items } = ties.graph;
  const gate = way === "up" ? from[edge]! : to[edge]!;
  const place = way === "up" ? to[edge]! : from[edge]!;
  let best: Across = null;
  for (let e = 0; e < from.length; e++) {
    const [near, far] = way === "up" ? [to[e]!, from[e]!] : [from[e]!, to[e]!];
    if (near !== gate || far >= items) continue;
    const named = origin[e] === BRIDGE ? origin[edge]! : origin[e]!;
    const link = way === "up" ? ties.link(far, place, named) : ties.link(place, far, named);
    best = nearer(best, { item: far, link }, place);
  }
  return best;
}
