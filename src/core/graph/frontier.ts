import { MinHeap } from "./heap";

/**
 * What a search in one direction has found, edge by edge from the node whose key is the least. Nodes beyond a limit are
 * passed by: the two searches will have met before they come to those.
 */
export class Frontier {
  found: number[] = [];
  nearest = -1;
  private edge = -1;
  private stamp = 0;
  private limit = 0;
  private readonly open: MinHeap;

  constructor(
    private readonly mark: number[],
    private readonly key: (node: number) => number,
    private readonly first: readonly number[],
    private readonly next: readonly number[],
    private readonly ends: readonly number[],
  ) {
    this.open = new MinHeap(key);
  }

  start(node: number, stamp: number, limit: number): void {
    this.found = [node];
    this.mark[node] = this.stamp = stamp;
    this.limit = limit;
    this.open.clear();
    this.nearest = node;
    this.edge = this.first[node]!;
  }

  get isOpen(): boolean {
    return this.edge !== -1;
  }

  /** Takes one edge; false where it leads to what the other search has found. */
  step(other: Frontier): boolean {
    const w = this.ends[this.edge]!;
    const mark = this.mark[w];
    if (mark === other.stamp) return false;
    if (mark !== this.stamp && this.key(w) <= this.limit) {
      this.mark[w] = this.stamp;
      this.found.push(w);
      if (this.first[w] !== -1) this.open.push(w);
    }
    this.edge = this.next[this.edge]!;
    if (this.edge === -1 && this.open.size > 0) {
      this.nearest = this.open.pop();
      this.edge = this.first[this.nearest]!;
    }
    return true;
  }
}
