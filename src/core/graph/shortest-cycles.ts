import { digraph, type Digraph } from "./digraph";

/** Finds shortest cycles, one component after another. */
export class ShortestCycles {
  private readonly back: Digraph;
  /** 1 for a node of which a cycle may still be found. */
  private readonly open: Uint8Array;
  private readonly outLeft: Int32Array;
  private readonly inLeft: Int32Array;
  private readonly via: Int32Array;
  private readonly seenBy: Int32Array;

  constructor(private readonly graph: Digraph) {
    const { nodes, from, to } = graph;
    this.back = digraph(nodes, to, from);
    this.open = new Uint8Array(nodes);
    this.outLeft = new Int32Array(nodes);
    this.inLeft = new Int32Array(nodes);
    this.via = new Int32Array(nodes);
    this.seenBy = new Int32Array(nodes).fill(-1);
  }

  /**
   * A shortest cycle among `members`, by a breadth-first search from each; of equal ones that of the member listed first. Empty
   * where there is none. A member from which it was searched cannot be on a shorter one; it goes, and with it what is then
   * on no cycle, for nothing leads to it or on from it.
   */
  within(members: readonly number[]): number[] {
    for (const v of members) this.open[v] = 1;
    for (const v of members) {
      this.outLeft[v] = this.count(this.graph, v);
      this.inLeft[v] = this.count(this.back, v);
    }
    for (const v of members) if (this.outLeft[v] === 0 || this.inLeft[v] === 0) this.close(v);
    let best: number[] = [];
    for (const start of members) {
      if (this.open[start] === 0) continue;
      best = this.through(start, best.length || Infinity) ?? best;
      if (best.length === 1) break;
      this.close(start);
    }
    for (const v of members) this.open[v] = 0;
    return best;
  }

  private count({ outStart, outTo }: Digraph, v: number): number {
    let count = 0;
    for (let at = outStart[v]!; at < outStart[v + 1]!; at++) count += this.open[outTo[at]!]!;
    return count;
  }

  private close(first: number): void {
    const closing = [first];
    for (let v = closing.pop(); v !== undefined; v = closing.pop()) {
      if (this.open[v] === 0) continue;
      this.open[v] = 0;
      this.leave(this.graph, v, this.inLeft, closing);
      this.leave(this.back, v, this.outLeft, closing);
    }
  }

  private leave({ outStart, outTo }: Digraph, v: number, left: Int32Array, closing: number[]): void {
    for (let at = outStart[v]!; at < outStart[v + 1]!; at++)
      if (this.open[outTo[at]!] === 1 && --left[outTo[at]!]! === 0) closing.push(outTo[at]!);
  }

  /** Shorter than `limit`; null where there is none. */
  private through(start: number, limit: number): number[] | null {
    const { outStart, outTo } = this.graph;
    let frontier = [start];
    for (let length = 1; frontier.length > 0 && length < limit; length++) {
      const next: number[] = [];
      for (const v of frontier)
        for (let at = outStart[v]!; at < outStart[v + 1]!; at++) {
          const w = outTo[at]!;
          if (w === start) return this.trace(start, v);
          if (this.open[w] === 0 || this.seenBy[w] === start) continue;
          this.seenBy[w] = start;
          this.via[w] = v;
          next.push(w);
        }
      frontier = next;
    }
    return null;
  }

  private trace(start: number, end: number): number[] {
    const path = [end];
    for (let v = end; v !== start;) path.push((v = this.via[v]!));
    return path.reverse();
  }
}
