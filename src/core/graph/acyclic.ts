import { digraph, type Digraph } from "./digraph";

/**
 * A graph that refuses every edge which would close a cycle, by the incremental topological order of
 * Pearce and Kelly (2006): an edge that agrees with the order costs nothing; else only the nodes that stand
 * between its ends in the order are searched and seated anew.
 *
 * Nodes may be items or gates. A gate stands between two sets of items so that "all of these before all of
 * those" takes one edge an item instead of one a pair; a step over a gate counts as part of one link.
 */
export class AcyclicGraph {
  readonly from: number[] = [];
  readonly to: number[] = [];
  readonly origin: number[] = [];
  private readonly firstOut: number[];
  private readonly firstIn: number[];
  private readonly nextOut: number[] = [];
  private readonly nextIn: number[] = [];
  /** Position of every node in a topological order of the present edges; distinct, not dense. */
  readonly position: number[];
  private readonly mark: number[];
  private stamp = 0;
  private lowest = 0;

  constructor(readonly items: number) {
    this.firstOut = new Array<number>(items).fill(-1);
    this.firstIn = new Array<number>(items).fill(-1);
    this.mark = new Array<number>(items).fill(0);
    this.position = Array.from({ length: items }, (_, at) => at);
  }

  get nodes(): number {
    return this.position.length;
  }

  /** A gate without edges, before or behind all present nodes in the topological order. */
  addGate(at: "front" | "back" = "back"): number {
    this.firstOut.push(-1);
    this.firstIn.push(-1);
    this.mark.push(0);
    return this.position.push(at === "front" ? --this.lowest : this.nodes) - 1;
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

  /** Computes the topological order afresh, as near to the items' places as it can be. */
  settle(): void {
    if (!this.trySettle()) throw new Error("an edge that closes a cycle was added unchecked");
  }

  /** Adds the edge unless it would close a cycle. */
  tryEdge(from: number, to: number, origin: number): boolean {
    if (from === to) return false;
    if (this.position[from]! > this.position[to]! && !this.makeRoom(from, to)) return false;
    this.addEdge(from, to, origin);
    return true;
  }

  /** Takes back the edge that was added last; the topological order stays one. */
  removeLastEdge(): void {
    const edge = this.from.length - 1;
    this.firstOut[this.from.pop()!] = this.nextOut.pop()!;
    this.firstIn[this.to.pop()!] = this.nextIn.pop()!;
    this.origin.length = edge;
  }

  /**
   * False where an edge that was added unchecked closes a cycle; else like `settle`. Items come by place, each right
   * behind those that must precede it and have not come yet: a search backwards, without recursion.
   */
  trySettle(): boolean {
    const { nodes } = this;
    const state = new Uint8Array(nodes);
    const next = Int32Array.from(this.firstIn);
    const path: number[] = [];
    let settled = 0;
    for (let root = 0; root < nodes; root++) {
      if (state[root] !== 0) continue;
      path.push(root);
      state[root] = 1;
      while (path.length > 0) {
        const v = path[path.length - 1]!;
        const edge = next[v]!;
        if (edge === -1) {
          this.position[v] = settled++;
          state[v] = 2;
          path.pop();
          continue;
        }
        next[v] = this.nextIn[edge]!;
        const before = this.from[edge]!;
        if (state[before] === 1) return false;
        if (state[before] === 2) continue;
        state[before] = 1;
        path.push(before);
      }
    }
    this.lowest = 0;
    return true;
  }

  toDigraph(): Digraph {
    return digraph(this.nodes, this.from, this.to);
  }

  /** All nodes, each before those that its edges point to. */
  topological(): Int32Array {
    const order = Int32Array.from({ length: this.nodes }, (_, v) => v);
    return order.sort((a, b) => this.position[a]! - this.position[b]!);
  }

  /**
   * The edges of one shortest path, counted in links: a step into or between gates is free, so that
   * "A, gate, B" is as short as "A, B". Null if there is none.
   */
  shortestPath(start: number, goal: number): number[] | null {
    return this.nearest(start, (node) => node === goal, "forward");
  }

  /**
   * The shortest path from `start` to the nearest node that `isGoal` accepts, or ("backward") from such a node to
   * `start`; its edges are in the direction of the path. One breadth-first search, over the edges that `takes` accepts.
   */
  nearest(
    start: number,
    isGoal: (node: number) => boolean,
    way: "forward" | "backward",
    takes: (edge: number) => boolean = () => true,
  ): number[] | null {
    const [first, next, ends] =
      way === "forward" ? [this.firstOut, this.nextOut, this.to] : [this.firstIn, this.nextIn, this.from];
    const stamp = ++this.stamp;
    const via = new Map<number, number>();
    this.mark[start] = stamp;
    for (let frontier = [start]; frontier.length > 0;) {
      const further: number[] = [];
      for (let at = 0; at < frontier.length; at++) {
        for (let e = first[frontier[at]!]!; e !== -1; e = next[e]!) {
          const w = ends[e]!;
          if (this.mark[w] === stamp || !takes(e)) continue;
          this.mark[w] = stamp;
          via.set(w, e);
          if (isGoal(w)) return this.unwind(via, start, w, way);
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
    const limit = this.position[goal]!;
    const open = [start];
    this.mark[start] = stamp;
    for (let v = open.pop(); v !== undefined; v = open.pop())
      for (let e = this.firstOut[v]!; e !== -1; e = this.nextOut[e]!) {
        const w = this.to[e]!;
        if (e === edge || this.mark[w] === stamp || this.position[w]! > limit) continue;
        if (w === goal) return true;
        this.mark[w] = stamp;
        open.push(w);
      }
    return false;
  }

  private unwind(
    via: Map<number, number>,
    start: number,
    goal: number,
    way: "forward" | "backward",
  ): number[] {
    const edges: number[] = [];
    for (let v = goal; v !== start;) {
      const e = via.get(v)!;
      edges.push(e);
      v = (way === "forward" ? this.from : this.to)[e]!;
    }
    return way === "forward" ? edges.reverse() : edges;
  }

  private makeRoom(from: number, to: number): boolean {
    const ahead = this.reach(to, from);
    if (ahead === null) return false;
    const behind = this.reachBack(from, this.position[to]!);
    const byPosition = (a: number, b: number) => this.position[a]! - this.position[b]!;
    const seated = [...behind.sort(byPosition), ...ahead.sort(byPosition)];
    const free = seated.map((v) => this.position[v]!).sort((a, b) => a - b);
    seated.forEach((v, at) => (this.position[v] = free[at]!));
    return true;
  }

  /** What `start` reaches up to the position of `goal`; null if `goal` is among it. */
  private reach(start: number, goal: number): number[] | null {
    const stamp = ++this.stamp;
    const limit = this.position[goal]!;
    const found = [start];
    this.mark[start] = stamp;
    for (let at = 0; at < found.length; at++) {
      for (let e = this.firstOut[found[at]!]!; e !== -1; e = this.nextOut[e]!) {
        const w = this.to[e]!;
        if (w === goal) return null;
        if (this.mark[w] === stamp || this.position[w]! > limit) continue;
        this.mark[w] = stamp;
        found.push(w);
      }
    }
    return found;
  }

  private reachBack(start: number, limit: number): number[] {
    const stamp = ++this.stamp;
    const found = [start];
    this.mark[start] = stamp;
    for (let at = 0; at < found.length; at++) {
      for (let e = this.firstIn[found[at]!]!; e !== -1; e = this.nextIn[e]!) {
        const w = this.from[e]!;
        if (this.mark[w] === stamp || this.position[w]! < limit) continue;
        this.mark[w] = stamp;
        found.push(w);
      }
    }
    return found;
  }
}
