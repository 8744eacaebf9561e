/**
 * A maximum matching of the inverted pairs, where it can be helped without listing them.
 *
 * There may be millions of pairs where a hundred items are out of place, for each such item is inverted with all that
 * stand between it and its ties. So augmenting paths are searched in the graph of the ties itself: the partners of a
 * later end r are what r reaches at a place before r.
 *
 *   now:   A  B  C  D       D -> B -> C      from D: B is a partner, and through it C.
 *   next:  the least place below a node that no search has reached yet; a search that goes no further down than that
 *          passes the node by. So a phase enters a node again only where something new may be found.
 *   gate:  a node without a place, through which searches pass and which is nobody's partner.
 *
 * A phase finds disjoint augmenting paths. Searched from the end of the list up, it enters hardly a node twice, and
 * where few items are out of place a few phases do. Where many are, the last of the list would take all partners for
 * its own in every phase; so from then on it is searched from the top down, and each later end comes to have those
 * partners that no earlier one reaches. The phase that finds no path has visited what alternating paths reach: the
 * cover of Kőnig (1931). Once the search has cost more than a list of the pairs would, they are listed (matching.ts).
 */
import { BitRows } from "../graph/bit-rows";
import type { Digraph } from "../graph/digraph";
import { maximumMatching } from "../graph/matching";
import { anyTopologicalOrder } from "../graph/topological";

export interface InversionMatching {
  /** The earlier end that each node, as a later end, is matched with, and the other way round; -1 for none. */
  readonly earlierOf: Int32Array;
  readonly laterOf: Int32Array;
  /** 1 for each earlier end that an alternating path reaches from an unmatched later end. */
  readonly reached: Uint8Array;
}

/** How many phases search from the end of the list up, before the disorder is taken to be great. */
const phasesFromEnd = 8;
/** A search that takes this many steps a node and tie has cost more than a list of the pairs. */
const stepsOfAList = 30;
/** Rows of bits for 32,768 items take 128 MiB. */
const mostListed = 32_768;

/**
 * `graph` is acyclic. `place` is the current place of each node, -1 for a gate; of equal places none is inverted.
 * `patience` is how many steps a node and tie the search may take before the pairs are listed.
 */
export function matchInversions(
  graph: Digraph,
  place: Int32Array,
  patience = graph.nodes > mostListed ? Infinity : stepsOfAList,
): InversionMatching {
  const search = new InversionSearch(graph, place, patience * (graph.nodes + graph.to.length));
  for (;;) {
    const found = search.phase();
    if (search.isSpent) return matchListed(graph, place);
    if (found === 0) return search;
  }
}

/** How often the list is swept by place before it pays to sort it. */
const mostSweeps = 6;

/**
 * The smallest place among what each node reaches, `place.length` where there is none. Swept from the end of the list
 * up, only ties that lead back up the list are met too early; where few do, that settles sooner than a sort.
 */
function leastBelow(graph: Digraph, place: Int32Array): Int32Array {
  const least = new Int32Array(graph.nodes).fill(place.length);
  const sources = sourcesOfBackEdges(graph);
  let top = graph.nodes - 1;
  for (let sweeps = 0; sweeps < mostSweeps; sweeps++) {
    for (let v = top; v >= 0; v--) lowerToNext(graph, place, least, v);
    top = -1;
    for (const v of sources) if (lowerToNext(graph, place, least, v)) top = v;
    if (top === -1) return least;
  }
  const sorted = anyTopologicalOrder(graph);
  for (let at = sorted.length - 1; at >= 0; at--) lowerToNext(graph, place, least, sorted[at]!);
  return least;
}

/** By number. */
function sourcesOfBackEdges({ nodes, outStart, outTo }: Digraph): number[] {
  const sources: number[] = [];
  for (let v = 0; v < nodes; v++)
    for (let at = outStart[v]!, end = outStart[v + 1]!; at < end; at++)
      if (outTo[at]! < v) {
        sources.push(v);
        break;
      }
  return sources;
}

function lowerToNext({ outStart, outTo }: Digraph, place: Int32Array, least: Int32Array, v: number): boolean {
  const before = least[v]!;
  let lowest = before;
  for (let at = outStart[v]!, end = outStart[v + 1]!; at < end; at++) {
    const w = outTo[at]!;
    if (least[w]! < lowest) lowest = least[w]!;
    if (place[w]! < lowest && place[w] !== -1) lowest = place[w]!;
  }
  least[v] = lowest;
  return lowest < before;
}

class InversionSearch implements InversionMatching {
  readonly earlierOf: Int32Array;
  readonly laterOf: Int32Array;
  readonly reached: Uint8Array;
  /** The later end whose search reached each earlier end in this phase. */
  private readonly reachedFrom: Int32Array;
  private readonly least: Int32Array;
  /** In this phase: `least`, of what has not been reached yet, and the out-edge at which the search of a node stands. */
  private readonly next: Int32Array;
  private readonly cursor: Int32Array;
  private readonly path: Int32Array;
  /** Later ends that have an inverted pair, from the end of the list up; from the top down in later phases. */
  private readonly laterEnds: number[] = [];
  private phases = 0;

  constructor(
    private readonly graph: Digraph,
    private readonly place: Int32Array,
    private stepsLeft: number,
  ) {
    const { nodes } = graph;
    this.earlierOf = new Int32Array(nodes).fill(-1);
    this.laterOf = new Int32Array(nodes).fill(-1);
    this.reached = new Uint8Array(nodes);
    this.reachedFrom = new Int32Array(nodes);
    this.least = leastBelow(graph, place);
    this.next = new Int32Array(nodes);
    this.cursor = new Int32Array(nodes);
    this.path = new Int32Array(nodes + 1);
    for (let v = nodes - 1; v >= 0; v--) if (this.least[v]! < place[v]!) this.laterEnds.push(v);
    this.laterEnds.sort((a, b) => place[b]! - place[a]!);
  }

  /** Whether the steps are used up; `reached` then says nothing. */
  get isSpent(): boolean {
    return this.stepsLeft <= 0;
  }

  /** Augments along disjoint paths; answers how many it found. */
  phase(): number {
    if (this.phases++ === phasesFromEnd) this.laterEnds.reverse();
    this.reached.fill(0);
    this.next.set(this.least);
    this.cursor.set(this.graph.outStart.subarray(1));
    let found = 0;
    for (const root of this.laterEnds) {
      if (this.isSpent) break;
      if (this.earlierOf[root] === -1 && this.augmentFrom(root)) found++;
    }
    return found;
  }

  private augmentFrom(root: number): boolean {
    const open = [root];
    for (let later = open.pop(); later !== undefined; later = open.pop()) {
      const free = this.search(later, open);
      if (free === -1) continue;
      this.flip(free);
      return true;
    }
    return false;
  }

  private flip(free: number): void {
    for (let earlier = free; earlier !== -1;) {
      const later = this.reachedFrom[earlier]!;
      const freed = this.earlierOf[later]!;
      this.earlierOf[later] = earlier;
      this.laterOf[earlier] = later;
      earlier = freed;
    }
  }

  /**
   * Depth first below the place of `later`: answers the first unmatched earlier end that it meets, or -1, and adds the
   * partners of the matched ones to `open`. Where it breaks off, the cursors let the next search go on from there.
   */
  private search(later: number, open: number[]): number {
    const { outStart, outTo } = this.graph;
    const { place, next, cursor, path, reached, laterOf } = this;
    const below = place[later]!;
    if (!this.enter(later, below)) return -1;
    let depth = 0;
    let steps = 0;
    path[0] = later;
    for (; depth >= 0; steps++) {
      const v = path[depth]!;
      const at = cursor[v]!;
      if (at === outStart[v + 1]!) {
        depth--;
        continue;
      }
      const w = outTo[at]!;
      const isNew = reached[w] === 0 && place[w] !== -1;
      if (isNew && place[w]! < below) {
        reached[w] = 1;
        this.reachedFrom[w] = later;
        if (laterOf[w] === -1) {
          this.stepsLeft -= steps;
          return w;
        }
        open.push(laterOf[w]!);
        continue;
      }
      if (this.enter(w, below)) {
        path[++depth] = w;
        continue;
      }
      if (isNew && place[w]! < next[v]!) next[v] = place[w]!;
      if (next[w]! < next[v]!) next[v] = next[w]!;
      cursor[v] = at + 1;
    }
    this.stepsLeft -= steps;
    return -1;
  }

  /** Whether there is anything left to search at the node below a place. */
  private enter(node: number, below: number): boolean {
    if (this.cursor[node]! < this.graph.outStart[node + 1]!) return true;
    if (this.next[node]! >= below) return false;
    this.next[node] = this.place.length;
    this.cursor[node] = this.graph.outStart[node]!;
    return true;
  }
}

/**
 * With all pairs listed. A row holds what is inverted with an item; rows stand by place, and columns by the ties. So the first
 * that is left over of a row is the nearest that must follow, which for a chain of ties is the best choice (the greedy cover
 * of a sequence by falling ones; Fredman 1975), and for other ties is a good one to begin with.
 */
function matchListed(graph: Digraph, place: Int32Array): InversionMatching {
  const isItem = (v: number) => place[v] !== -1;
  const rowsOf = [...place.keys()].filter(isItem).sort((a, b) => place[a]! - place[b]!);
  const sorted = anyTopologicalOrder(graph);
  const columnsOf = sorted.filter(isItem);
  const inversions = listInversions(graph, place, { sorted, rowsOf, columnsOf });
  const { ofRight, ofLeft, reachedLeft } = maximumMatching(inversions, rowsOf.length);
  const earlierOf = new Int32Array(graph.nodes).fill(-1);
  const laterOf = new Int32Array(graph.nodes).fill(-1);
  const reached = new Uint8Array(graph.nodes);
  ofRight.forEach((column, row) => column !== -1 && (earlierOf[rowsOf[row]!] = columnsOf[column]!));
  ofLeft.forEach((row, column) => row !== -1 && (laterOf[columnsOf[column]!] = rowsOf[row]!));
  reachedLeft.forEach((is, column) => (reached[columnsOf[column]!] = is));
  return { earlierOf, laterOf, reached };
}

interface Listing {
  /** All nodes, each before those that it leads to. */
  readonly sorted: Int32Array;
  readonly rowsOf: readonly number[];
  readonly columnsOf: Int32Array;
}

function listInversions(graph: Digraph, place: Int32Array, { sorted, rowsOf, columnsOf }: Listing): BitRows {
  const rowOf = numbersOf(rowsOf, graph.nodes);
  const columnOf = numbersOf(columnsOf, graph.nodes);
  let rows = rowsOf.length;
  for (let v = 0; v < graph.nodes; v++) if (rowOf[v] === -1) rowOf[v] = rows++;
  const after = new BitRows(rows, columnsOf.length);
  for (let next = sorted.length - 1; next >= 0; next--) {
    const v = sorted[next]!;
    for (let at = graph.outStart[v]!; at < graph.outStart[v + 1]!; at++) {
      const w = graph.outTo[at]!;
      after.merge(rowOf[v]!, rowOf[w]!);
      if (columnOf[w] !== -1) after.set(rowOf[v]!, columnOf[w]!);
    }
  }
  const earlier = new Uint32Array(after.words);
  for (let row = 0, seen = 0; row < rowsOf.length; row++) {
    for (; place[rowsOf[seen]!]! < place[rowsOf[row]!]!; seen++) {
      const column = columnOf[rowsOf[seen]!]!;
      earlier[column >>> 5]! |= 1 << (column & 31);
    }
    after.keep(row, earlier);
  }
  return after;
}

/** By node, at which place of `list` it is; -1 where it is not. */
function numbersOf(list: ArrayLike<number>, nodes: number): Int32Array {
  const numbers = new Int32Array(nodes).fill(-1);
  for (let at = 0; at < list.length; at++) numbers[list[at]!] = at;
  return numbers;
}
