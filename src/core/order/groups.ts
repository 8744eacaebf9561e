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
}

export class Groups {
  readonly kept: Group[] = [];
  private groupOf: Int32Array;
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
    const groupOf = this.groupOf.slice();
    for (const item of members) groupOf[item] = this.kept.length;
    const groups = [...this.kept, group];
    const contraction = this.contract(groups, groupOf);
    if (!contraction.graph.trySettle()) return this.returning(contraction, group);
    this.kept.push(group);
    this.groupOf = groupOf;
    this.contraction = contraction;
    return null;
  }

  /** Adds the edge to the flat graph unless it closes a cycle there or in the contracted one. */
  tryEdge(from: number, to: number, origin: number): boolean {
    const flat = this.ties.graph;
    if (!this.contraction) return flat.tryEdge(from, to, origin);
    const isPair = from < flat.items && to < flat.items;
    const inside = isPair && this.groupOf[from] !== -1 && this.groupOf[from] === this.groupOf[to];
    if (inside) return flat.tryEdge(from, to, origin);
    if (!isPair) return this.tryGateEdge(from, to, origin);
    const { graph, flat: edges } = this.contraction;
    if (!graph.tryEdge(this.nodeOf(from), this.nodeOf(to), origin)) return false;
    flat.tryEdge(from, to, origin);
    edges.push(flat.from.length - 1);
    return true;
  }

  private tryGateEdge(from: number, to: number, origin: number): boolean {
    const flat = this.ties.graph;
    if (!flat.tryEdge(from, to, origin)) return false;
    const contraction = this.contract(this.kept, this.groupOf);
    if (!contraction.graph.trySettle()) {
      flat.removeLastEdge();
      return false;
    }
    this.contraction = contraction;
    return true;
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

  private contract(groups: readonly Group[], groupOf: Int32Array): Contraction {
    const { graph: flat } = this.ties;
    const graph = new AcyclicGraph(flat.items);
    for (let gate = flat.items; gate < flat.nodes; gate++) graph.addGate();
    const edges: number[] = [];
    const groupAt = (node: number) => (node < flat.items ? groupOf[node]! : -1);
    const nodeAt = (node: number) => (groupAt(node) === -1 ? node : groups[groupAt(node)]!.anchor);
    const own = this.ownGates(groupAt, graph);
    const add = (from: number, to: number, e: number) => {
      graph.addEdge(from, to, flat.origin[e]!);
      edges.push(e);
    };
    for (let e = 0; e < flat.from.length; e++) {
      const [from, to] = [flat.from[e]!, flat.to[e]!];
      if (groupAt(from) !== -1 && groupAt(from) === groupAt(to)) continue;
      const fromGate = own.get(`${to} ${groupAt(from)}`);
      const toGate = own.get(`${from} ${groupAt(to)}`);
      if (fromGate?.inward === false) add(nodeAt(from), fromGate.node, e);
      else if (toGate?.inward) add(toGate.node, nodeAt(to), e);
      else add(nodeAt(from), nodeAt(to), e);
      for (const gate of own.of(from))
        if (!gate.inward && groupAt(to) !== gate.group) add(gate.node, nodeAt(to), e);
      for (const gate of own.of(to))
        if (gate.inward && groupAt(from) !== gate.group) add(nodeAt(from), gate.node, e);
    }
    return { graph, flat: edges };
  }

  /**
   * Gates of rules for first and last that have members of one group on both sides: that group's edge with the rule
   * goes over a gate of its own, which leads past the members. `inward`: the rule is one for last, and its edges lead in.
   */
  private ownGates(groupAt: (node: number) => number, graph: AcyclicGraph) {
    const { from, to, items } = this.ties.graph;
    const sides = new Map<string, { in: boolean; out: boolean; gate: number; group: number }>();
    for (let e = 0; e < from.length; e++) {
      const [gate, item, isIn] = to[e]! >= items ? [to[e]!, from[e]!, true] : [from[e]!, to[e]!, false];
      if (!this.endGates.has(gate) || groupAt(item) === -1) continue;
      const key = `${gate} ${groupAt(item)}`;
      const side = sides.get(key) ?? { in: false, out: false, gate, group: groupAt(item) };
      sides.set(key, { ...side, in: side.in || isIn, out: side.out || !isIn });
    }
    const own = new Map<string, { node: number; group: number; inward: boolean }>();
    const byGate = new Map<number, { node: number; group: number; inward: boolean }[]>();
    for (const [key, side] of sides) {
      if (!side.in || !side.out) continue;
      const gate = { node: graph.addGate(), group: side.group, inward: !this.isFirstGate(side.gate) };
      own.set(key, gate);
      byGate.set(side.gate, [...(byGate.get(side.gate) ?? []), gate]);
    }
    return { get: (key: string) => own.get(key), of: (node: number) => byGate.get(node) ?? [] };
  }

  private isFirstGate(gate: number): boolean {
    const { from, to, origin } = this.ties.graph;
    const { rules } = this.ties.problem;
    const edge = from.findIndex((_, e) => origin[e]! >= 0 && (from[e] === gate || to[e] === gate));
    return edge === -1 || rules[origin[edge]!]!.kind === "first";
  }

  /** A shortest path that leaves the group and comes back, told from the member that it leaves. */
  private returning({ graph, flat }: Contraction, { anchor, members }: Group): Link[] {
    let best: number[] | null = null;
    for (let e = 0; e < graph.from.length; e++) {
      if (graph.from[e] !== anchor) continue;
      const back = graph.shortestPath(graph.to[e]!, anchor);
      if (back && (!best || back.length + 1 < best.length)) best = [e, ...back];
    }
    if (!best) return [];
    const edges = best.map((e) => flat[e]!);
    const { from, to } = this.ties.graph;
    const inGroup = (node: number) => members.includes(node);
    const start = inGroup(from[edges[0]!]!) ? from[edges[0]!]! : members[0]!;
    const end = inGroup(to[edges.at(-1)!]!) ? to[edges.at(-1)!]! : members.at(-1)!;
    return this.joined(edges, start, end);
  }

  /** Links of flat edges that follow one another in the contracted graph; steps inside a group are named by its rule. */
  private joined(edges: readonly number[], start: number, end: number): Link[] {
    const links: Link[] = [];
    let here = start;
    const step = (to: number) => {
      const group = this.kept.find(({ members }) => members.includes(here));
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
    if (!this.contraction) return null;
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
      for (const item of this.kept.find((group) => group.anchor === anchor)!.members)
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
    const { from, to, items } = this.ties.graph;
    const numberOf = new Map(members.map((item, at) => [item, at]));
    const nodeOf = (node: number) => {
      if (node < items || !this.endGates.has(node)) return numberOf.get(node) ?? -1;
      if (!numberOf.has(node)) numberOf.set(node, numberOf.size);
      return numberOf.get(node)!;
    };
    const ends: [number, number][] = [];
    for (let e = 0; e < from.length; e++) {
      const [a, b] = [nodeOf(from[e]!), nodeOf(to[e]!)];
      if (a !== -1 && b !== -1) ends.push([a, b]);
    }
    const graph = digraph(
      numberOf.size,
      ends.map(([a]) => a),
      ends.map(([, b]) => b),
    );
    return { graph, count: members.length };
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
