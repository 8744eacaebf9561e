/** Edges by the node that they leave, and by the node that they lead to, each as a chain that begins at `first` and goes on by `next`. */
interface ChainedEdges {
  readonly from: readonly number[];
  readonly to: readonly number[];
  readonly firstOut: readonly number[];
  readonly nextOut: readonly number[];
  readonly firstIn: readonly number[];
  readonly nextIn: readonly number[];
}

/** Nodes of which those from `items` on are gates, with a key for each that rises along every edge. */
export interface KeyedGraph extends ChainedEdges {
  readonly items: number;
  readonly keys: readonly number[];
}

/** What one end has reached: nodes with the present stamp, and by which edge it came to each, -1 at the end itself. */
class End {
  private seen = new Int32Array(0);
  private via = new Int32Array(0);
  private stamp = 0;
  /** The nodes that it came to last. */
  last: number[] = [];

  /** `first` and `next` chain the edges that lead on from here, `ends` says where each does. */
  constructor(
    private readonly first: readonly number[],
    private readonly next: readonly number[],
    private readonly ends: readonly number[],
    private readonly graph: KeyedGraph,
  ) {}

  start(node: number): void {
    const nodes = this.graph.keys.length;
    if (this.seen.length < nodes) {
      this.seen = new Int32Array(2 * nodes);
      this.via = new Int32Array(2 * nodes);
      this.stamp = 0;
    }
    this.seen[node] = ++this.stamp;
    this.via[node] = -1;
    this.last = [node];
  }

  /** One link on, over the first so many edges to nodes with keys in a range; answers with the node at which it meets the other end. */
  goOn(other: End, edges: number, low: number, high: number): number | null {
    const { first, next, ends, seen, via, stamp, last } = this;
    const { items, keys } = this.graph;
    const [otherSeen, otherStamp] = [other.seen, other.stamp];
    const reached: number[] = [];
    // It grows by the gates that are come to, for a step into one is free.
    for (let at = 0; at < last.length; at++)
      for (let e = first[last[at]!]!; e !== -1; e = next[e]!) {
        if (e >= edges) continue;
        const w = ends[e]!;
        if (seen[w] === stamp) continue;
        const key = keys[w]!;
        if (key < low || key > high) continue;
        seen[w] = stamp;
        via[w] = e;
        if (otherSeen[w] === otherStamp) return w;
        if (w >= items) last.push(w);
        else reached.push(w);
      }
    this.last = reached;
    return null;
  }

  /** The edges by which it came to a node, from there back to the end. */
  edgesTo(node: number, before: readonly number[]): number[] {
    const edges: number[] = [];
    for (let e = this.via[node]!; e !== -1; e = this.via[before[e]!]!) edges.push(e);
    return edges;
  }
}

/** Finds shortest paths, counted in links: a step into a gate is free. */
export class ShortestPaths {
  private readonly ahead: End;
  private readonly behind: End;

  constructor(private readonly graph: KeyedGraph) {
    this.ahead = new End(graph.firstOut, graph.nextOut, graph.to, graph);
    this.behind = new End(graph.firstIn, graph.nextIn, graph.from, graph);
  }

  /**
   * Over the first so many edges, as they were added; searched from both ends at once, a link at a time from where fewer nodes were
   * reached last, and among nodes with keys between those of the ends alone. Null if there is none.
   */
  between(start: number, goal: number, edges: number): number[] | null {
    const { ahead, behind, graph } = this;
    const [low, high] = [graph.keys[start]!, graph.keys[goal]!];
    ahead.start(start);
    behind.start(goal);
    while (ahead.last.length > 0 && behind.last.length > 0) {
      const met =
        ahead.last.length <= behind.last.length
          ? ahead.goOn(behind, edges, low, high)
          : behind.goOn(ahead, edges, low, high);
      if (met === null) continue;
      return [...ahead.edgesTo(met, graph.from).reverse(), ...behind.edgesTo(met, graph.to)];
    }
    return null;
  }
}
