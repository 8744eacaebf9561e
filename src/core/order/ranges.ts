import type { AcyclicGraph } from "../graph/acyclic";
import { BitRows } from "../graph/bit-rows";
import { digraph, type Digraph } from "../graph/digraph";
import { anyTopologicalOrder } from "../graph/topological";
import type { Constraints } from "./constraints";

/** Places at which items may stand, first and last, by their present place. */
interface PlaceRanges {
  readonly first: Int32Array;
  readonly last: Int32Array;
}

/** The present places of a group that stands together. */
interface Block {
  readonly first: number;
  readonly last: number;
}

/**
 * For every item the places that it may go to while all others stay put; first > last where none keeps its ties. What
 * does not belong to a block cannot stand inside it, though its range may reach beyond. One sweep over the ties.
 */
export function rangesStayingPut({ ties, problem, groups }: Constraints): PlaceRanges & {
  readonly blocks: readonly Block[];
} {
  const items = problem.ids.length;
  const graph = ties.graph.toDigraph();
  const after = new Int32Array(graph.nodes).fill(-1);
  const before = new Int32Array(graph.nodes).fill(items);
  const topological = ties.graph.topological();
  for (const v of topological)
    eachNext(graph, v, (w) => (after[w] = Math.max(after[w]!, v < items ? v : after[v]!)));
  for (let at = topological.length - 1; at >= 0; at--) {
    const v = topological[at]!;
    eachNext(graph, v, (w) => (before[v] = Math.min(before[v]!, w < items ? w : before[w]!)));
  }
  const blocks = groups.kept
    .map(({ members }) => members)
    .filter(standTogether)
    .map(toBlock);
  keepOutOf(blocks, after, before, items);
  // Taken out, an item leaves a hole: what stood behind it moves up by one place.
  const first = Int32Array.from({ length: items }, (_, v) => (after[v]! < v ? after[v]! + 1 : after[v]!));
  const last = Int32Array.from({ length: items }, (_, v) => (before[v]! > v ? before[v]! - 1 : before[v]!));
  return { first, last, blocks };
}

const standTogether = (members: readonly number[]): boolean =>
  members.at(-1)! - members[0]! === members.length - 1;
const toBlock = (members: readonly number[]): Block => ({ first: members[0]!, last: members.at(-1)! });

/** Members keep to their block; what must follow or precede a member of another block must do so of all of it. */
function keepOutOf(blocks: readonly Block[], after: Int32Array, before: Int32Array, items: number): void {
  const blockAt: (Block | undefined)[] = [];
  for (const block of blocks) for (let at = block.first; at <= block.last; at++) blockAt[at] = block;
  for (let v = 0; v < items; v++) {
    const own = blockAt[v];
    const above = blockAt[after[v]!];
    const below = blockAt[before[v]!];
    if (own) {
      after[v] = Math.max(after[v]!, own.first - 1);
      before[v] = Math.min(before[v]!, own.last + 1);
      continue;
    }
    if (above) after[v] = above.last;
    if (below) before[v] = below.first;
  }
}

/**
 * For every item the first and last place that it has in any valid order: behind its ancestors, before its descendants.
 * A group is one node, which counts for all its members; inside it a member stands behind its ancestors there.
 */
export function rangesInAnyOrder({ groups, problem }: Constraints): PlaceRanges {
  const items = problem.ids.length;
  const { graph, nodeOf } = groups.whole();
  const place = Int32Array.from({ length: items }, (_, item) => nodeOf(item));
  const { ancestors, descendants } = countRelatives(graph.toDigraph(), place);
  for (const { members } of groups.kept) {
    const inside = groups.inside(members).graph;
    const within = countRelatives(
      inside,
      Int32Array.from(members, (_, at) => at),
    );
    members.forEach((member, at) => {
      ancestors[member]! += within.ancestors[at]!;
      descendants[member]! += within.descendants[at]!;
    });
  }
  return { first: ancestors, last: descendants.map((count) => items - 1 - count) };
}

/** The same for one item, by a search from it alone. */
export function rangeInAnyOrder({ groups, problem }: Constraints, item: number): Block {
  const items = problem.ids.length;
  const { graph, nodeOf } = groups.whole();
  const group = groups.kept.find(({ members }) => members.includes(item));
  let { before, behind } = countAround(graph, nodeOf(item), (node) => groups.sizeOf(node));
  if (group) {
    const inside = groups.inside(group.members).graph;
    const within = countRelatives(
      inside,
      Int32Array.from(group.members, (_, at) => at),
    );
    before += within.ancestors[group.members.indexOf(item)]!;
    behind += within.descendants[group.members.indexOf(item)]!;
  }
  return { first: before, last: items - 1 - behind };
}

/** How many items lie on the paths to a node and from it. */
function countAround(graph: AcyclicGraph, start: number, sizeOf: (node: number) => number) {
  const count = (way: "forward" | "backward") => {
    let items = 0;
    graph.nearest(
      start,
      (node) => {
        items += sizeOf(node);
        return false;
      },
      way,
    );
    return items;
  };
  return { before: count("backward"), behind: count("forward") };
}

/** How many items stand before and behind each; `nodeOf` has the node of each item, and items may share one. */
function countRelatives(graph: Digraph, nodeOf: Int32Array) {
  const backward = digraph(graph.nodes, graph.to, graph.from);
  return { descendants: countReached(graph, nodeOf), ancestors: countReached(backward, nodeOf) };
}

const blockOfItems = 4096;

/** How many items the node of each item reaches, itself not counted. In blocks of items, to bound the memory. */
function countReached(graph: Digraph, nodeOf: Int32Array): Int32Array {
  const items = nodeOf.length;
  const sorted = anyTopologicalOrder(graph);
  const counts = new Int32Array(graph.nodes);
  for (let from = 0; from < items; from += blockOfItems) {
    const width = Math.min(blockOfItems, items - from);
    const reach = new BitRows(graph.nodes, width);
    for (let item = from; item < from + width; item++) reach.set(nodeOf[item]!, item - from);
    for (let at = sorted.length - 1; at >= 0; at--) {
      const v = sorted[at]!;
      eachNext(graph, v, (w) => reach.merge(v, w));
      counts[v]! += reach.count(v);
    }
  }
  for (const node of nodeOf) counts[node]!--;
  return nodeOf.map((node) => counts[node]!);
}

function eachNext(graph: Digraph, v: number, visit: (w: number) => void): void {
  for (let at = graph.outStart[v]!; at < graph.outStart[v + 1]!; at++) visit(graph.outTo[at]!);
}
