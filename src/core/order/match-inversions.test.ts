import fc from "fast-check";
import { digraph, type Digraph } from "../graph/digraph";
import { makeRandom } from "../random";
import { matchInversions, type InversionMatching } from "./match-inversions";

/** A graph of items whose order `ranks` is hidden, with gates between some of them; each item's place is its number. */
interface Case {
  readonly graph: Digraph;
  readonly place: Int32Array;
}

const anyCase = fc
  .tuple(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 0, max: 2 }))
  .chain(([items, gates]) =>
    fc.record({
      items: fc.constant(items),
      rank: fc.shuffledSubarray([...Array(items + gates).keys()], { minLength: items + gates }),
      pairs: fc.array(fc.tuple(fc.nat(items + gates - 1), fc.nat(items + gates - 1)), { maxLength: 20 }),
    }),
  )
  .map(({ items, rank, pairs }): Case => {
    const edges = pairs
      .filter(([a, b]) => rank[a] !== rank[b])
      .map(([a, b]) => (rank[a]! < rank[b]! ? ([a, b] as const) : ([b, a] as const)));
    return {
      graph: digraph(
        rank.length,
        edges.map(([a]) => a),
        edges.map(([, b]) => b),
      ),
      place: Int32Array.from(rank, (_, v) => (v < items ? v : -1)),
    };
  });

/** Inverted pairs (earlier, later), by plain search. */
function invertedPairs({ graph, place }: Case): [number, number][] {
  const pairs: [number, number][] = [];
  for (let later = 0; later < graph.nodes; later++) {
    const seen = new Set<number>();
    const open = [later];
    for (let v = open.pop(); v !== undefined; v = open.pop())
      for (let at = graph.outStart[v]!; at < graph.outStart[v + 1]!; at++)
        if (!seen.has(graph.outTo[at]!) && seen.add(graph.outTo[at]!)) open.push(graph.outTo[at]!);
    for (const earlier of seen)
      if (place[earlier] !== -1 && place[earlier]! < place[later]!) pairs.push([earlier, later]);
  }
  return pairs;
}

/** A valid matching whose size is that of a cover of all pairs is a maximum one, and the cover a minimum (Kőnig). */
function expectProvedMaximum(given: Case, { earlierOf, laterOf, reached }: InversionMatching): void {
  const pairs = invertedPairs(given);
  const isPair = new Set(pairs.map(String));
  let size = 0;
  earlierOf.forEach((earlier, later) => {
    if (earlier === -1) return;
    size++;
    expect(isPair.has(String([earlier, later]))).toBe(true);
    expect(laterOf[earlier]).toBe(later);
  });
  const coversLater = (later: number) => earlierOf[later] !== -1 && reached[earlierOf[later]!] === 0;
  for (const [earlier, later] of pairs) expect(reached[earlier] === 1 || coversLater(later)).toBe(true);
  const later = [...earlierOf.keys()].filter(coversLater);
  expect(reached.filter((each) => each === 1).length + later.length).toBe(size);
}

test("the matching is a maximum one and reaches the cover that proves it, searched or listed", () => {
  fc.assert(
    fc.property(anyCase, (given) => {
      for (const patience of [Infinity, 0]) {
        const matching = matchInversions(given.graph, given.place, patience);
        expectProvedMaximum(given, matching);
      }
    }),
    { numRuns: 3000 },
  );
});

test("searched and listed, the cover is the same, for it does not depend on the matching", () => {
  const random = makeRandom(11);
  for (const [items, ties, displaced] of [
    [300, 900, 300],
    [300, 900, 10],
    [120, 2000, 120],
  ] as const) {
    const place = [...Array(items).keys()];
    for (let n = 0; n < displaced; n++)
      place.splice(random.below(items), 0, place.splice(random.below(items), 1)[0]!);
    const later = Array.from({ length: ties }, () => 1 + random.below(items - 1));
    const graph = digraph(
      items,
      later.map((to) => place[random.below(to)]!),
      later.map((to) => place[to]!),
    );
    const given = { graph, place: Int32Array.from(place.keys()) };
    const searched = matchInversions(given.graph, given.place, Infinity);
    const listed = matchInversions(given.graph, given.place, 0);
    const halfWay = matchInversions(given.graph, given.place, 1);
    expectProvedMaximum(given, searched);
    expect([...listed.reached]).toEqual([...searched.reached]);
    expect([...halfWay.reached]).toEqual([...searched.reached]);
  }
});

test("the drawn example: D before B, B before C gives one pair with B and, through it, one with C", () => {
  const graph = digraph(4, [3, 1], [1, 2]);
  const { earlierOf } = matchInversions(graph, Int32Array.of(0, 1, 2, 3));
  expect([...earlierOf]).toEqual([-1, -1, -1, 1]);
});

test("Dilworth's theorem on divisibility, listed backwards: n - ceil(n/2) of 1..n must move", () => {
  for (const n of [1, 2, 7, 20, 51, 200]) {
    const from: number[] = [];
    const to: number[] = [];
    for (let a = 1; a <= n; a++)
      for (let b = 2 * a; b <= n; b += a) {
        from.push(n - a);
        to.push(n - b);
      }
    const { earlierOf } = matchInversions(
      digraph(n, from, to),
      Int32Array.from({ length: n }, (_, at) => at),
    );
    expect(earlierOf.filter((each) => each !== -1)).toHaveLength(n - Math.ceil(n / 2));
  }
});

test("nodes that share a place are not inverted with one another", () => {
  const { earlierOf } = matchInversions(digraph(3, [2, 1], [1, 0]), Int32Array.of(0, 0, 5));
  expect([...earlierOf].filter((each) => each !== -1)).toHaveLength(1);
});
