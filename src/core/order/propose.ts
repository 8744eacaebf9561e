import type { Link, OrderProblem, OrderResult } from "../model/problem";
import { findConstraints, type Constraints } from "./constraints";
import { fewestMoves } from "./fewest-moves";
import { seatMoved } from "./seat-moved";

/** One item that the proposal seats elsewhere, and the tie with an item that stays which its old place breaks. */
export interface Move {
  readonly id: string;
  readonly because: readonly Link[];
}

export interface Proposal {
  readonly result: OrderResult;
  /** In the proposed order. */
  readonly moves: readonly Move[];
  readonly constraints: Constraints;
}

/** The order nearest to the present one that keeps all that can be kept; see docs/ORDERING.md. */
export function propose(problem: OrderProblem): Proposal {
  const constraints = findConstraints(problem);
  const { ids } = constraints.problem;
  const { stays, certificate, order } = solve(constraints);
  const moved = order.filter((place) => !stays[place]);
  return {
    constraints,
    moves: moved.map((place) => ({ id: ids[place]!, because: reasonToMove(constraints, stays, place) })),
    result: {
      format: "seating-order-result/1",
      order: order.map((place) => ids[place]!),
      moved: moved.map((place) => ids[place]!),
      setAside: constraints.setAside,
      cycles: constraints.cycles,
      missing: [...constraints.problem.missing],
      raised: constraints.raised,
      certificate: certificate && certificate.map(([earlier, later]) => [ids[earlier]!, ids[later]!]),
    },
  };
}

interface Solution {
  readonly stays: Uint8Array;
  /** Null where a group was kept: then the moves are few, and not proved to be the fewest. */
  readonly certificate: [number, number][] | null;
  readonly order: readonly number[];
}

function solve({ ties, groups, problem }: Constraints): Solution {
  const grouped = groups.solve();
  if (grouped) return { ...grouped, certificate: null };
  const graph = ties.graph.toDigraph();
  const topological = ties.graph.topological();
  const { stays, certificate } = fewestMoves(graph, problem.ids.length, topological);
  const order =
    certificate.length === 0 ? problem.ids.map((_, at) => at) : [...seatMoved(graph, stays, topological)];
  return { stays, certificate, order };
}

/** The shortest chain between the moved item and one that stays, of those that its old place breaks. */
function reasonToMove({ ties, groups }: Constraints, stays: Uint8Array, place: number): Link[] {
  const { graph } = ties;
  const before = graph.nearest(place, (node) => stays[node] === 1 && node > place, "backward");
  const after = graph.nearest(place, (node) => stays[node] === 1 && node < place, "forward");
  const chains = [before, after].filter((path) => path !== null).map((path) => ties.links(path));
  return chains.sort((a, b) => a.length - b.length)[0] ?? reasonOfGroup({ ties, groups }, place);
}

/** Where no tie of its own moves the item, its group does. */
function reasonOfGroup({ ties, groups }: Pick<Constraints, "ties" | "groups">, place: number): Link[] {
  const group = groups.kept.find(({ members }) => members.includes(place));
  if (!group) return [];
  const other = group.anchor === place ? group.members.find((member) => member !== place)! : group.anchor;
  return [ties.link(Math.min(place, other), Math.max(place, other), group.rule)];
}
