/** Edges by the node that they leave, and by the node that they lead to, each as a chain that begins at `first` and goes on by `next`. */
export interface ChainedEdges {
  readonly from: readonly number[];
  readonly to: readonly number[];
  readonly firstOut: readonly number[];
  readonly nextOut: readonly number[];
  readonly firstIn: readonly number[];
  readonly nextIn: readonly number[];
}

/** What one end has reached: nodes with the present stamp, and by which edge it came to each, -1 at the end itself. */
class End {
  private readonly seen: number[] = [];
  private readonly via: number[] = [];
  private stamp = 0;
  /** The nodes that it came to last. */
  last: number[] = [];

  start(node: number): void {
    this.stamp++;
    this.add(node, -1);
    this.last = [node];
  }
  has(node: number): boolean {
    return this.seen[node] === this.stamp;
  }
  add(node: number, edge: number): void {
    this.seen[node] = this.stamp;
    this.via[node] = edge;
  }
  /** The edges by which it came to a node, from there back to the end. */
  edgesTo(node: number, before: readonly number[]): number[] {
    const edges: number[] = [];
    for (let e = this.via[node]!; e !== -1; e = this.via[before[e]!]!) edges.push(e);
    return edges;
  }
}

/** Finds shortest paths, counted in links: a step into a gate, a node of `items` or more, is free. */
export class ShortestPaths {
  private readonly ahead = new End();
  private readonly behind = new End();

  constructor(
    private readonly graph: ChainedEdges,
    private readonly items: number,
  ) {}

  /**
   * Searched from both ends at once, a link at a time from where fewer nodes were reached last. Edges and nodes that are not
   * accepted are passed by. Null if there is none.
   */
  between(start: number, goal: number, accepts: (edge: number, node: number) => boolean): number[] | null {
    const { ahead, behind, graph } = this;
    ahead.start(start);
    behind.start(goal);
    while (ahead.last.length > 0 && behind.last.length > 0) {
      const met =
        ahead.last.length <= behind.last.length
          ? this.goOn(ahead, behind, [graph.firstOut, graph.nextOut, graph.to], accepts)
          : this.goOn(behind, ahead, [graph.firstIn, graph.nextIn, graph.from], accepts);
      if (met === null) continue;
      return [...ahead.edgesTo(met, graph.from).reverse(), ...behind.edgesTo(met, graph.to)];
    }
    return null;
  }

  /** One link on from one end; answers with the node at which it meets the other. */
  private goOn(
    end: End,
    other: End,
    [first, next, ends]: readonly [readonly number[], readonly number[], readonly number[]],
    accepts: (edge: number, node: number) => boolean,
  ): number | null {
    const reached: number[] = [];
    for (const v of end.last)
      for (let e = first[v]!; e !== -1; e = next[e]!) {
        const w = ends[e]!;
        if (end.has(w) || !accepts(e, w)) continue;
        end.add(w, e);
        if (other.has(w)) return w;
        (w >= this.items ? end.last : reached).push(w);
      }
    end.last = reached;
    return null;
  }
}
