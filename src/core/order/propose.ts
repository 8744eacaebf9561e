import type { FoundOrder, Link, OrderProblem, ToldChain } from "../model/problem";
import { findConstraints, type Constraints } from "./constraints";
import { placedIn } from "./indexed";
import { tellChain } from "./tell-chain";
import { nearestOrder, type NearestOrder } from "./fewest-moves";

/** One item that the proposal seats elsewhere, and the tie with an item that stays which its old place breaks. */
export interface Move {
  readonly id: string;
  readonly because: ToldChain;
}

export interface Proposal {
  readonly result: FoundOrder;
  readonly constraints: Constraints;
  /** 1 for each item that stays, by its place. */
  readonly stays: Uint8Array;
}

/** The order nearest to the present one that keeps all that can be kept; see docs/ORDERING.md. */
export function propose(problem: OrderProblem): Proposal {
  const constraints = findConstraints(problem);
  const { ids } = constraints.problem;
  const { stays, certificate, order } = solve(constraints);
  const nameOf = (place: number) => ids[place]!;
  return {
    constraints,
    stays,
    result: {
      order: Array.from(order, nameOf),
      moved: Array.from(
        order.filter((place) => stays[place] === 0),
        nameOf,
      ),
      setAside: constraints.setAside,
      cycles: constraints.cycles,
      missing: [...constraints.problem.missing],
      raised: constraints.raised,
      certificate: certificate && certificate.map(([earlier, later]) => [ids[earlier]!, ids[later]!]),
    },
  };
}

/** The moves with their reasons, in the proposed order. A search for each move, so only for who asks. */
export function explainMoves({ result, constraints, stays }: Proposal): Move[] {
  const { placeOf } = constraints.problem;
  const reason = (id: string) => tellChain(reasonToMove(constraints, stays, placeOf.get(id)!));
  return result.moved.map((id) => ({ id, because: reason(id) }));
}

/** The certificate is null where a group was kept: then the moves are few, and not proved to be the fewest. */
type Solution = Omit<NearestOrder, "certificate"> & { certificate: NearestOrder["certificate"] | null };

function solve({ ties, groups, problem }: Constraints): Solution {
  const grouped = groups.solve();
  if (grouped) return { ...grouped, certificate: null };
  return nearestOrder(ties.graph.toDigraph(), problem.ids.length, { placedOf: placedIn(problem) });
}

/**
 * Of the chains between the moved item and one that stays which its old place breaks, the one whose weakest tie is the strongest,
 * and of those the shortest.
 */
function reasonToMove({ ties, groups }: Constraints, stays: Uint8Array, place: number): Link[] {
  const { graph } = ties;
  const within = (limit: number): Link[] | null => {
    const takes = (edge: number) => ties.strengths.levelOf[edge]! <= limit;
    const before = graph.nearest(place, (node) => stays[node] === 1 && node > place, "backward", takes);
    const after = graph.nearest(place, (node) => stays[node] === 1 && node < place, "forward", takes);
    const chains = [before, after].filter((path) => path !== null).map((path) => ties.links(path));
    return chains.sort((a, b) => a.length - b.length)[0] ?? null;
  };
  let [low, high] = [0, ties.strengths.levels - 1];
  let found = within(high);
  if (!found) return reasonOfGroup({ ties, groups }, place);
  while (low < high) {
    const middle = (low + high) >> 1;
    const chain = within(middle);
    if (chain) [found, high] = [chain, middle];
    else low = middle + 1;
  }
  return found;
}

/** Where no tie of its own moves the item, its group does. */
function reasonOfGroup({ ties, groups }: Pick<Constraints, "ties" | "groups">, place: number): Link[] {
  const group = groups.kept.find(({ members }) => members.includes(place));
  if (!group) return [];
  const other = group.anchor === place ? group.members.find((member) => member !== place)! : group.anchor;
  return [ties.link(Math.min(place, other), Math.max(place, other), group.rule)];
}
