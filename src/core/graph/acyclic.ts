import { BitRows } from "./bit-rows";
import { digraph, type Digraph } from "./digraph";
import { Frontier } from "./frontier";
import { OrderedNodes } from "./ordered-nodes";
import { ShortestPaths, type KeyedGraph } from "./shortest-path";

/** A table of bits of more nodes than this takes more than 32 MiB. */
const mostInTable = 16_384;

/**
 * A graph that refuses every edge which would close a cycle, by an incremental topological order: an edge that agrees
 * with the order costs nothing; else it is searched from both its ends at once, forwards always from the first of what
 * was found, backwards from the last, until the two have passed each other, and only what was found is seated anew
 * (the two-way compatible search of Haeupler, Kavitha, Mathew, Sen and Tarjan, ACM Transactions on Algorithms 8(1), 2012).
 *
 * Refused edges teach that search nothing. Where they have cost as much as a table of what reaches what, it is made, and
 * refuses what the edges up to then contradict at a glance.
 *
 * Nodes may be items or gates. A gate stands between two sets of items so that "all of these before all of
 * those" takes one edge an item instead of one a pair; a step over a gate counts as part of one link.
 */
export class AcyclicGraph implements KeyedGraph {
  readonly from: number[] = [];
  readonly to: number[] = [];
  readonly origin: number[] = [];
  readonly firstOut: number[];
  readonly firstIn: number[];
  readonly nextOut: number[] = [];
  readonly nextIn: number[] = [];
  /** All nodes in a topological order of the present edges. */
  private readonly order: OrderedNodes;
  private readonly mark: number[];
  private readonly ahead: Frontier;
  private readonly behind: Frontier;
  private readonly paths: ShortestPaths;
  private stamp = 0;
  /** The edge by which the search under way came to each node. */
  private readonly via: number[] = [];
  /** Steps of searches for edges that were refused, since the table was made. */
  private spent = 0;
  private merged = false;
  private table: { readonly reaches: BitRows; readonly edges: number } | null = null;

  constructor(readonly items: number) {
    this.firstOut = new Array<number>(items).fill(-1);
    this.firstIn = new Array<number>(items).fill(-1);
    this.mark = new Array<number>(items).fill(0);
    this.order = new OrderedNodes(items);
    this.paths = new ShortestPaths(this);
    const key = (v: number) => this.order.key(v);
    this.ahead = new Frontier(this.mark, key, this.firstOut, this.nextOut, this.to);
    this.behind = new Frontier(this.mark, (v) => -key(v), this.firstIn, this.nextIn, this.from);
  }

  get keys(): readonly number[] {
    return this.order.keys;
  }

  get nodes(): number {
    return this.firstOut.length;
  }

  /** Whether a node comes before another in the topological order. */
  comesBefore(node: number, other: number): boolean {
    return this.order.key(node) < this.order.key(other);
  }

  /** A gate without edges, before or behind all present nodes in the topological order. */
  addGate(at: "front" | "back" = "back"): number {
    this.firstOut.push(-1);
    this.firstIn.push(-1);
    this.mark.push(0);
    return this.order.add(at);
  }

  /** Adds an edge that the caller knows to close no cycle; `settle` must follow before `tryEdge` is used. */
  addEdge(from: number, to: number, origin: number): void {
    const edge = this.from.push(from) - 1;
    this.to.push(to);
    this.origin.push(origin);
    this.nextOut.push(this.firstOut[from]!);
    this.firstOut[from] = edge;
    this.nextIn.push(this.firstIn[to]!);
    this.firstIn[to] = edge;
  }

  /** Adds the edge unless it would close a cycle. */
  tryEdge(from: number, to: number, origin: number): boolean {
    if (from === to || this.isKnownToReach(to, from)) return false;
    if (!this.comesBefore(from, to) && !this.makeRoom(from, to)) return false;
    this.addEdge(from, to, origin);
    return true;
  }

  /** Takes back the edge that was added last; the topological order stays one. */
  removeLastEdge(): void {
    const edge = this.from.length - 1;
    this.firstOut[this.from.pop()!] = this.nextOut.pop()!;
    this.firstIn[this.to.pop()!] = this.nextIn.pop()!;
    this.origin.length = edge;
    if (this.table && this.table.edges > edge) this.table = null;
  }

  /**
   * Computes the topological order afresh: items come by place, each right behind those that must precede it and have not come
   * yet, by a search backwards, without recursion. Throws where an edge that was added unchecked closes a cycle.
   */
  settle(): void {
    const { nodes } = this;
    const state = new Uint8Array(nodes);
    const next = Int32Array.from(this.firstIn);
    const path: number[] = [];
    const settled: number[] = [];
    for (let root = 0; root < nodes; root++) {
      if (state[root] !== 0) continue;
      path.push(root);
      state[root] = 1;
      while (path.length > 0) {
        const v = path[path.length - 1]!;
        const edge = next[v]!;
        if (edge === -1) {
          settled.push(v);
          state[v] = 2;
          path.pop();
          continue;
        }
        next[v] = this.nextIn[edge]!;
        const before = this.from[edge]!;
        if (state[before] === 1) throw new Error("an edge that closes a cycle was added unchecked");
        if (state[before] === 2) continue;
        state[before] = 1;
        path.push(before);
      }
    }
    this.order.arrange(settled);
  }

  toDigraph(): Digraph {
    if (!this.merged) return digraph(this.nodes, this.from, this.to);
    const present = [...this.from.keys()].filter((e) => this.from[e] !== this.to[e]);
    return digraph(
      this.nodes,
      present.map((e) => this.from[e]!),
      present.map((e) => this.to[e]!),
    );
  }

  /** The edges that leave a node, and those that lead to it, the newest first. */
  edgesFrom(node: number): number[] {
    return chained(this.firstOut[node]!, this.nextOut);
  }
  edgesTo(node: number): number[] {
    return chained(this.firstIn[node]!, this.nextIn);
  }

  /**
   * Makes one node, `into`, of several, itself among them, unless a path leaves them and comes back. The others are left without
   * edges, and edges between two of them lead from `into` to itself and count for nothing.
   */
  tryMerge(members: readonly number[], into: number): boolean {
    const sorted = this.order.sorted(members);
    const last = sorted.at(-1)!;
    const between = this.reachedBetween(members, this.order.key(last));
    if (!between) return false;
    this.order.moveBehind(last, this.order.sorted(between));
    if (last !== into) this.order.moveBehind(last, [into]);
    const out = members.flatMap((v) => this.edgesFrom(v)).sort((a, b) => a - b);
    const incoming = members.flatMap((v) => this.edgesTo(v)).sort((a, b) => a - b);
    for (const e of out) this.from[e] = into;
    for (const e of incoming) this.to[e] = into;
    for (const v of members) this.firstOut[v] = this.firstIn[v] = -1;
    const isPresent = (e: number) => this.from[e] !== this.to[e];
    for (const e of out.filter(isPresent)) {
      this.nextOut[e] = this.firstOut[into]!;
      this.firstOut[into] = e;
    }
    for (const e of incoming.filter(isPresent)) {
      this.nextIn[e] = this.firstIn[into]!;
      this.firstIn[into] = e;
    }
    this.merged = true;
    this.table = null;
    return true;
  }

  /** What these reach beside themselves, no further than a key; null where that leads back to one of them. */
  private reachedBetween(starts: readonly number[], limit: number): number[] | null {
    const own = ++this.stamp;
    for (const v of starts) this.mark[v] = own;
    const beside = ++this.stamp;
    const found: number[] = [];
    const visit = (v: number, isOwn: boolean): boolean => {
      for (let e = this.firstOut[v]!; e !== -1; e = this.nextOut[e]!) {
        const w = this.to[e]!;
        if (this.mark[w] === own && !isOwn) return false;
        if (this.mark[w] === own || this.mark[w] === beside || this.order.key(w) > limit) continue;
        this.mark[w] = beside;
        found.push(w);
      }
      return true;
    };
    for (const v of starts) visit(v, true);
    for (let at = 0; at < found.length; at++) if (!visit(found[at]!, false)) return null;
    return found;
  }

  /** All nodes, each before those that its edges point to. */
  topological(): Int32Array {
    return this.order.list();
  }

  /**
   * The edges of one shortest path, counted in links: a step into or between gates is free, so that
   * "A, gate, B" is as short as "A, B". Null if there is none. `edges`: how many of the edges, as they were added, count.
   */
  shortestPath(start: number, goal: number, edges = this.from.length): number[] | null {
    // Whatever edges were added since, what lies on the way lies between the two.
    return this.paths.between(start, goal, edges);
  }

  /**
   * The shortest path from a start to the nearest node that `isGoal` accepts, be it another start, or ("backward") from such a
   * node to a start; its edges are in the direction of the path. One breadth-first search, over the edges that `takes` accepts.
   */
  nearest(
    start: number | readonly number[],
    isGoal: (node: number) => boolean,
    way: "forward" | "backward",
    takes: (edge: number) => boolean = () => true,
  ): number[] | null {
    const [first, next, ends] =
      way === "forward" ? [this.firstOut, this.nextOut, this.to] : [this.firstIn, this.nextIn, this.from];
    const stamp = ++this.stamp;
    const { via } = this;
    const starts = typeof start === "number" ? [start] : [...start];
    for (const v of starts) {
      this.mark[v] = stamp;
      via[v] = -1;
    }
    for (let frontier = starts; frontier.length > 0;) {
      const further: number[] = [];
      for (let at = 0; at < frontier.length; at++) {
        for (let e = first[frontier[at]!]!; e !== -1; e = next[e]!) {
          const w = ends[e]!;
          if (!takes(e) || (this.mark[w] === stamp && via[w] !== -1)) continue;
          if (isGoal(w)) return this.unwind(e, way);
          if (this.mark[w] === stamp) continue;
          this.mark[w] = stamp;
          via[w] = e;
          (w >= this.items ? frontier : further).push(w);
        }
      }
      frontier = further;
    }
    return null;
  }

  /** Whether a path leads from `start` to `goal` that does not take the edge. Looks no further than the goal's position. */
  reachesWithout(start: number, goal: number, edge: number): boolean {
    const stamp = ++this.stamp;
    const limit = this.order.key(goal);
    const open = [start];
    this.mark[start] = stamp;
    for (let v = open.pop(); v !== undefined; v = open.pop())
      for (let e = this.firstOut[v]!; e !== -1; e = this.nextOut[e]!) {
        const w = this.to[e]!;
        if (e === edge || this.mark[w] === stamp || this.order.key(w) > limit) continue;
        if (w === goal) return true;
        this.mark[w] = stamp;
        open.push(w);
      }
    return false;
  }

  /** The edges of the path of which this one is the last that was found. */
  private unwind(found: number, way: "forward" | "backward"): number[] {
    const ends = way === "forward" ? this.from : this.to;
    const edges: number[] = [];
    for (let e = found; e !== -1; e = this.via[ends[e]!]!) edges.push(e);
    return way === "forward" ? edges.reverse() : edges;
  }

  /** Seats anew what an edge against the order needs; false where the edge would close a cycle. */
  private makeRoom(from: number, to: number): boolean {
    const { order, ahead, behind } = this;
    ahead.start(to, ++this.stamp, order.key(from));
    behind.start(from, ++this.stamp, -order.key(to));
    let steps = 0;
    while (ahead.isOpen && behind.isOpen && order.key(ahead.nearest) < order.key(behind.nearest)) {
      steps += 2;
      if (ahead.step(behind) && behind.step(ahead)) continue;
      this.spend(steps);
      return false;
    }
    const border = ahead.isOpen ? ahead.nearest : from;
    if (border === from) {
      order.moveBehind(from, order.sorted(ahead.found));
      return true;
    }
    const at = order.key(border);
    const before = ahead.found.filter((v) => order.key(v) < at);
    const after = behind.found.filter((v) => order.key(v) > at);
    order.moveBefore(border, [...order.sorted(after), ...order.sorted(before)]);
    return true;
  }

  private isKnownToReach(start: number, goal: number): boolean {
    if (!this.table || Math.max(start, goal) >= this.table.reaches.rows) return false;
    return this.table.reaches.has(start, goal);
  }

  private spend(steps: number): void {
    this.spent += steps;
    const cost = ((this.from.length + this.nodes) * this.nodes) >>> 8;
    if (this.spent < cost || this.nodes > mostInTable) return;
    this.spent = 0;
    const reaches = new BitRows(this.nodes, this.nodes);
    const sorted = this.topological();
    for (let next = sorted.length - 1; next >= 0; next--) {
      const v = sorted[next]!;
      for (let e = this.firstOut[v]!; e !== -1; e = this.nextOut[e]!) {
        reaches.merge(v, this.to[e]!);
        reaches.set(v, this.to[e]!);
      }
    }
    this.table = { reaches, edges: this.from.length };
  }
}

function chained(first: number, next: readonly number[]): number[] {
  const edges: number[] = [];
  for (let e = first; e !== -1; e = next[e]!) edges.push(e);
  return edges;
}
