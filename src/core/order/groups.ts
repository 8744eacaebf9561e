/**
 * Groups that stay together (steps 7 and 8 of docs/ORDERING.md).
 *
 * The flat graph of the ties knows nothing of them. Beside it stands a contracted one, in which each group is the node
 * of its anchor: the first member of its longest run of neighbours in the current order. A path that leaves a group and
 * comes back is a cycle there, so one test serves for groups and for the rules that come after them.
 *
 *   flat:        a -> x -> b      c -> d        together(a, b): x stands between, set aside
 *   contracted:  (c d) -> e       c -> d        together(c, d): kept; c -> d holds inside
 *
 * "First of its scope" goes over one gate for all items with such a rule. Where a group has members on both sides of
 * it, the tie between them holds inside the group, and the group gets a gate of its own towards the others.
 */
import type { Link } from "../model/problem";
import { AcyclicGraph } from "../graph/acyclic";
import { digraph, type Digraph } from "../graph/digraph";
import { nearestOrder, type NearestOrder } from "./fewest-moves";
import { placedIn } from "./indexed";
import type { Ties } from "./ties";

interface Group {
  /** Places, in the current order. */
  readonly members: readonly number[];
  readonly anchor: number;
  /** The longest run of neighbours, the earliest of equal ones. */
  readonly run: ReadonlySet<number>;
  readonly rule: number;
}

interface Contraction {
  readonly graph: AcyclicGraph;
  /** The flat edge that each edge of the contracted graph stands for. */
  readonly flat: number[];
  /** Gates of the flat graph up to this number have the same one here. */
  readonly gatesUpTo: number;
}

export class Groups {
  readonly kept: Group[] = [];
  private readonly groupOf: Int32Array;
  private contraction: Contraction | null = null;

  /** `endGates` are the gates of rules for first and last; the caller adds to them as it makes them. */
  constructor(
    private readonly ties: Ties,
    private readonly endGates: ReadonlySet<number>,
  ) {
    this.groupOf = new Int32Array(ties.problem.ids.length).fill(-1);
  }

  /**
   * Keeps a group of two or more present items; else the chain by which something stands between them, or one link of a member to
   * itself by the kept group that has it.
   */
  tryGroup(members: readonly number[], rule: number): Link[] | null {
    const shared = members.find((item) => this.groupOf[item] !== -1);
    if (shared !== undefined) return [this.ties.link(shared, shared, this.kept[this.groupOf[shared]!]!.rule)];
    const group = makeGroup(members, rule);
    const ownGates = this.isOnBothSides(group);
    const contraction = (!ownGates && this.contraction) || this.contract([...this.kept, group], this.kept)!;
    if (!ownGates) this.contraction = contraction;
    if (!contraction.graph.tryMerge(group.members, group.anchor)) return this.returning(contraction, group);
    for (const item of members) this.groupOf[item] = this.kept.length;
    this.kept.push(group);
    this.contraction = contraction;
    return null;
  }

  /** Adds the edge to the flat graph unless it closes a cycle there or in the contracted one. */
  tryEdge(from: number, to: number, origin: number): boolean {
    const flat = this.ties.graph;
    if (!this.contraction) return flat.tryEdge(from, to, origin);
    const [fromGroup, toGroup] = [this.groupOf[from], this.groupOf[to]];
    const isPair = fromGroup !== undefined && toGroup !== undefined;
    if (isPair && fromGroup !== -1 && fromGroup === toGroup) return flat.tryEdge(from, to, origin);
    const { graph, flat: edges, gatesUpTo } = this.contraction;
    const isAlone = (fromGroup ?? -1) === -1 && (toGroup ?? -1) === -1;
    if (!isPair && !(isAlone && Math.max(from, to) < gatesUpTo)) return this.tryGateEdge(from, to, origin);
    if (!graph.tryEdge(this.nodeOf(from), this.nodeOf(to), origin)) return false;
    flat.tryEdge(from, to, origin);
    edges.push(flat.from.length - 1);
    return true;
  }

  /** A gate that is new, or of which a group may come to need one of its own. */
  private tryGateEdge(from: number, to: number, origin: number): boolean {
    const flat = this.ties.graph;
    if (!flat.tryEdge(from, to, origin)) return false;
    const contraction = this.isGateBarred(from, to) ? null : this.contract(this.kept);
    if (!contraction) {
      flat.removeLastEdge();
      return false;
    }
    this.contraction = contraction;
    return true;
  }

  /**
   * Whether the item, or its group, already comes on the wrong side of what the gate has on its other side. Then no graph of the groups
   * can have the edge: whatever gates it goes over, it leads to all of these. Searching one is far less work than building the other.
   */
  private isGateBarred(from: number, to: number): boolean {
    const { graph: flat } = this.ties;
    const isInto = to >= this.groupOf.length;
    const [item, gate] = isInto ? [from, to] : [to, from];
    if (item >= this.groupOf.length) return false;
    const others = isInto
      ? flat.edgesFrom(gate).map((e) => flat.to[e]!)
      : flat.edgesTo(gate).map((e) => flat.from[e]!);
    const wanted = new Set(
      others.filter((other) => other < this.groupOf.length).map((other) => this.nodeOf(other)),
    );
    const way = isInto ? "backward" : "forward";
    return this.contraction!.graph.nearest(this.nodeOf(item), (node) => wanted.has(node), way) !== null;
  }

  /** The shortest chain by which one item must come before another, groups taken whole; null if it need not. */
  chain(earlier: number, later: number): Link[] | null {
    const flat = this.ties.chain(earlier, later);
    if (flat || !this.contraction) return flat;
    const edges = this.contraction.graph.shortestPath(this.nodeOf(earlier), this.nodeOf(later));
    return (
      edges &&
      this.joined(
        edges.map((e) => this.contraction!.flat[e]!),
        earlier,
        later,
      )
    );
  }

  /** The same as all is now, searched only when it is asked for. */
  chainOfNow(earlier: number, later: number): () => Link[] {
    if (this.kept.length === 0) return this.ties.chainOfNow(earlier, later);
    // What is contracted changes with the next group.
    const chain = this.chain(earlier, later) ?? [];
    return () => chain;
  }

  /** The graph in which each kept group is one node, and the node of each item there. */
  whole(): { graph: AcyclicGraph; nodeOf: (item: number) => number } {
    return { graph: this.contraction?.graph ?? this.ties.graph, nodeOf: (item) => this.nodeOf(item) };
  }

  /** How many items a node of that graph stands for: the members of a group, one, or none for a gate. */
  sizeOf(node: number): number {
    if (node >= this.groupOf.length) return 0;
    const group = this.groupOf[node]!;
    if (group === -1) return 1;
    return this.kept[group]!.anchor === node ? this.kept[group]!.members.length : 0;
  }

  private nodeOf(node: number): number {
    const group = node < this.groupOf.length ? this.groupOf[node]! : -1;
    return group === -1 ? node : this.kept[group]!.anchor;
  }

  /** With gates of their own where `groups` need them, and with `merged` as one node each; null where one cannot be. */
  private contract(groups: readonly Group[], merged = groups): Contraction | null {
    const { graph: flat } = this.ties;
    const graph = new AcyclicGraph(flat.items);
    for (let gate = flat.items; gate < flat.nodes; gate++) graph.addGate();
    const edges: number[] = [];
    const groupOf = new Int32Array(flat.nodes).fill(-1);
    groups.forEach(({ members }, at) => members.forEach((item) => (groupOf[item] = at)));
    const own = this.ownGates(groupOf, graph);
    const add = (from: number, to: number, e: number) => {
      graph.addEdge(from, to, flat.origin[e]!);
      edges.push(e);
    };
    for (let e = 0; e < flat.from.length; e++) {
      const [from, to] = [flat.from[e]!, flat.to[e]!];
      const [into, outOf] = [own.get(to), own.get(from)];
      const fromGate = into?.get(groupOf[from]!);
      const toGate = outOf?.get(groupOf[to]!);
      if (fromGate?.inward === false) add(from, fromGate.node, e);
      else if (toGate?.inward) add(toGate.node, to, e);
      else add(from, to, e);
      outOf?.forEach((gate, group) => !gate.inward && groupOf[to] !== group && add(gate.node, to, e));
      into?.forEach((gate, group) => gate.inward && groupOf[from] !== group && add(from, gate.node, e));
    }
    graph.settle();
    const isWhole = merged.every(({ members, anchor }) => graph.tryMerge(members, anchor));
    return isWhole ? { graph, flat: edges, gatesUpTo: flat.nodes } : null;
  }

  /** Whether a rule for first or last ties some of the members to others of them. */
  private isOnBothSides({ members }: Group): boolean {
    const { graph } = this.ties;
    const before = new Set(members.flatMap((item) => graph.edgesFrom(item).map((e) => graph.to[e]!)));
    return members.some((item) =>
      graph.edgesTo(item).some((e) => this.endGates.has(graph.from[e]!) && before.has(graph.from[e]!)),
    );
  }

  /**
   * Gates of rules for first and last that have members of one group on both sides: that group's edge with the rule goes over a
   * gate of its own, which leads past the members. By gate and group. `inward`: the rule is one for last, and its edges lead in.
   */
  private ownGates(groupOf: Int32Array, graph: AcyclicGraph) {
    const { graph: flat } = this.ties;
    const own = new Map<number, Map<number, { readonly node: number; readonly inward: boolean }>>();
    for (const gate of this.endGates) {
      const incoming = flat.edgesTo(gate);
      const outgoing = flat.edgesFrom(gate);
      const before = new Set(incoming.map((e) => groupOf[flat.from[e]!]!));
      const after = new Set(outgoing.map((e) => groupOf[flat.to[e]!]!));
      const both = [...before].filter((group) => group !== -1 && after.has(group));
      const rule = [...incoming, ...outgoing].find((e) => flat.origin[e]! >= 0);
      const inward = rule !== undefined && this.ties.problem.rules[flat.origin[rule]!]!.kind === "last";
      if (both.length > 0)
        own.set(gate, new Map(both.map((group) => [group, { node: graph.addGate(), inward }])));
    }
    return own;
  }

  /** A shortest path that leaves the group, which is not one node yet, and comes back, told from the member that it leaves. */
  private returning({ graph, flat }: Contraction, { members }: Group): Link[] {
    const own = new Set(members);
    const leaves = (e: number) => !own.has(graph.from[e]!) || !own.has(graph.to[e]!);
    const path = graph.nearest(members, (node) => own.has(node), "forward", leaves)!;
    const edges = path.map((e) => flat[e]!);
    return this.joined(edges, graph.from[path[0]!]!, graph.to[path.at(-1)!]!);
  }

  /** Links of flat edges that follow one another in the contracted graph; steps inside a group are named by its rule. */
  private joined(edges: readonly number[], start: number, end: number): Link[] {
    const links: Link[] = [];
    let here = start;
    const step = (to: number) => {
      const group = this.kept[this.groupOf[here]!];
      if (here !== to && group) links.push(this.ties.link(here, to, group.rule));
    };
    for (const link of this.ties.links(edges)) {
      step(this.ties.problem.placeOf.get(link.before)!);
      links.push(link);
      here = this.ties.problem.placeOf.get(link.after)!;
    }
    step(end);
    return links;
  }

  /** The order with the fewest moves for the anchors as they are; null where no group was kept. */
  solve(): Pick<NearestOrder, "stays" | "order"> | null {
    if (!this.contraction || this.kept.length === 0) return null;
    const { graph } = this.contraction;
    const inner = new Map(this.kept.map((group) => [group.anchor, this.solveInside(group)]));
    const isNode = (item: number) => this.nodeOf(item) === item;
    const placed = placedIn(this.ties.problem);
    const countPlaced = (items: Iterable<number>) => [...items].filter((item) => placed?.(item)).length;
    const weightOf = (item: number) => (isNode(item) ? (inner.get(item)?.stays.size ?? 1) : 0);
    const { stays, order } = nearestOrder(graph.toDigraph(), graph.items, {
      weightOf,
      placedOf: placed && ((item) => (isNode(item) ? countPlaced(inner.get(item)?.stays ?? [item]) : 0)),
    });
    for (const [anchor, { stays: kept }] of inner) {
      const groupStays = stays[anchor] === 1;
      for (const item of this.kept[this.groupOf[anchor]!]!.members)
        stays[item] = groupStays && kept.has(item) ? 1 : 0;
    }
    const nodes = [...order].filter(isNode);
    return { stays, order: Int32Array.from(nodes.flatMap((node) => inner.get(node)?.order ?? [node])) };
  }

  /** Inside a group: of its longest run as many stay as can, and the others are seated around them. */
  private solveInside({ members, run }: Group): { stays: ReadonlySet<number>; order: number[] } {
    const { graph, count } = this.inside(members);
    const weightOf = (at: number) => (run.has(members[at]!) ? 1 : 0);
    const placed = placedIn(this.ties.problem);
    const { stays, order } = nearestOrder(graph, count, {
      weightOf,
      placedOf: placed && ((at) => (members[at] === undefined ? 0 : placed(members[at]))),
    });
    return {
      stays: new Set(members.filter((_, at) => stays[at] === 1)),
      order: Array.from(order, (at) => members[at]!),
    };
  }

  /** The ties between the members, those over the gates of rules for first and last among them. */
  inside(members: readonly number[]): { graph: Digraph; count: number } {
    const { graph: flat } = this.ties;
    const numberOf = new Map(members.map((item, at) => [item, at]));
    const nodeOf = (node: number) => {
      if (this.endGates.has(node) && !numberOf.has(node)) numberOf.set(node, numberOf.size);
      return numberOf.get(node);
    };
    const edges = new Set(members.flatMap((item) => [...flat.edgesFrom(item), ...flat.edgesTo(item)]));
    const from: number[] = [];
    const to: number[] = [];
    for (const e of [...edges].sort((a, b) => a - b)) {
      const [a, b] = [nodeOf(flat.from[e]!), nodeOf(flat.to[e]!)];
      if (a === undefined || b === undefined) continue;
      from.push(a);
      to.push(b);
    }
    return { graph: digraph(numberOf.size, from, to), count: members.length };
  }
}

function makeGroup(members: readonly number[], rule: number): Group {
  const sorted = [...members].sort((a, b) => a - b);
  let best: number[] = [];
  let run: number[] = [];
  for (const place of sorted) {
    run = run.length > 0 && run.at(-1) === place - 1 ? [...run, place] : [place];
    if (run.length > best.length) best = run;
  }
  return { members: sorted, anchor: best[0]!, run: new Set(best), rule };
}
