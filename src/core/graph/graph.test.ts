import * as graphlib from "@dagrejs/graphlib";
import fc from "fast-check";
import { makeRandom } from "../random";
import { AcyclicGraph } from "./acyclic";
import { BitRows } from "./bit-rows";
import { components } from "./components";
import { digraph } from "./digraph";
import { longestIncreasing } from "./longest-increasing";
import { movedBetween } from "./moved";
import { maximumMatching } from "./matching";
import { topologicalOrder } from "./topological";

const anyEdges = (nodes: number, most: number) =>
  fc.array(fc.tuple(fc.nat(nodes - 1), fc.nat(nodes - 1)), { maxLength: most });

const build = (nodes: number, edges: readonly (readonly [number, number])[]) =>
  digraph(
    nodes,
    edges.map(([from]) => from),
    edges.map(([, to]) => to),
  );

test("strongly connected components equal those of @dagrejs/graphlib", () => {
  fc.assert(
    fc.property(anyEdges(12, 30), (edges) => {
      const { component } = components(build(12, edges));
      const other = new graphlib.Graph({ directed: true });
      for (let v = 0; v < 12; v++) other.setNode(String(v));
      for (const [from, to] of edges) other.setEdge(String(from), String(to));
      const ours = new Map<number, number[]>();
      component.forEach((at, v) => ours.set(at, [...(ours.get(at) ?? []), v]));
      const sorted = (groups: number[][]) => groups.map((group) => group.sort((a, b) => a - b).join()).sort();
      const theirs = graphlib.alg.tarjan(other).map((group) => group.map(Number));
      expect(sorted([...ours.values()])).toEqual(sorted(theirs));
    }),
    { numRuns: 300 },
  );
});

test("an acyclic graph refuses just the edges that would close a cycle", () => {
  fc.assert(
    fc.property(anyEdges(9, 40), (edges) => {
      const graph = new AcyclicGraph(9);
      const other = new graphlib.Graph({ directed: true });
      for (let v = 0; v < 9; v++) other.setNode(String(v));
      for (const [from, to] of edges) {
        const closes = from === to || graphlib.alg.preorder(other, [String(to)]).includes(String(from));
        expect(graph.tryEdge(from, to, 0)).toBe(!closes);
        if (!closes) other.setEdge(String(from), String(to));
      }
      for (let e = 0; e < graph.from.length; e++)
        expect(graph.comesBefore(graph.from[e]!, graph.to[e]!)).toBe(true);
    }),
    { numRuns: 300 },
  );
});

test("of very many edges, most of them refused, it refuses the same as a table of all paths", () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 1000 }), fc.integer({ min: 2, max: 30 }), (seed, nodes) => {
      const random = makeRandom(seed);
      const graph = new AcyclicGraph(nodes);
      const reaches = Array.from({ length: nodes }, (_, at) => new Set([at]));
      for (let n = 0; n < 20 * nodes; n++) {
        const [from, to] = [random.below(nodes), random.below(nodes)];
        const closes = reaches[to]!.has(from);
        expect(graph.tryEdge(from, to, 0)).toBe(!closes);
        if (closes) continue;
        for (const each of reaches) if (each.has(from)) for (const v of reaches[to]!) each.add(v);
      }
      const order = [...graph.topological()];
      for (let e = 0; e < graph.from.length; e++)
        expect(order.indexOf(graph.from[e]!)).toBeLessThan(order.indexOf(graph.to[e]!));
    }),
    { numRuns: 100 },
  );
});

test("a shortest path is as short as a search from one end finds it, over the first edges too, and steps into gates are free", () => {
  const edges = fc.array(fc.tuple(fc.nat(11), fc.nat(11)), { maxLength: 50 });
  fc.assert(
    fc.property(edges, fc.nat(11), fc.nat(11), fc.nat(30), (pairs, start, goal, upTo) => {
      const graph = new AcyclicGraph(8);
      for (let gate = 8; gate < 12; gate++) graph.addGate();
      for (const [from, to] of pairs) graph.tryEdge(from, to, 0);
      fc.pre(start !== goal);
      const path = graph.shortestPath(start, goal, upTo);
      const other = graph.nearest(
        start,
        (node) => node === goal,
        "forward",
        (e) => e < upTo,
      );
      const lengthOf = (found: number[] | null) => found?.filter((e) => graph.to[e]! < 8).length;
      expect(lengthOf(path)).toBe(lengthOf(other));
      if (!path) return;
      expect([graph.from[path[0]!], graph.to[path.at(-1)!]]).toEqual([start, goal]);
      path.forEach((e, at) => {
        expect(e).toBeLessThan(upTo);
        if (at > 0) expect(graph.from[e]).toBe(graph.to[path[at - 1]!]);
      });
    }),
    { numRuns: 2000 },
  );
});

test("nodes become one just where no path leaves them and comes back, and then the one has all their edges", () => {
  fc.assert(
    fc.property(
      anyEdges(9, 14),
      fc.uniqueArray(fc.nat(8), { minLength: 2, maxLength: 4 }),
      anyEdges(9, 6),
      (edges, members, more) => {
        const graph = new AcyclicGraph(9);
        const other = new graphlib.Graph({ directed: true });
        const into = members[0]!;
        const nodeOf = (v: number) => String(members.includes(v) ? into : v);
        for (let v = 0; v < 9; v++) other.setNode(nodeOf(v));
        for (const [from, to] of edges)
          if (graph.tryEdge(from, to, 0) && nodeOf(from) !== nodeOf(to))
            other.setEdge(nodeOf(from), nodeOf(to));
        const before = [...graph.topological()];
        expect(graph.tryMerge(members, into)).toBe(graphlib.alg.isAcyclic(other));
        if (!graphlib.alg.isAcyclic(other)) {
          expect([...graph.topological()]).toEqual(before);
          return;
        }
        const { from, to } = graph.toDigraph();
        const all = new Set(Array.from(from, (v, e) => `${v} ${to[e]}`));
        expect(all).toEqual(new Set(other.edges().map(({ v, w }) => `${v} ${w}`)));
        for (const [a, b] of more) {
          if (members.some((v) => v !== into && (v === a || v === b))) continue;
          const closes = a === b || graphlib.alg.preorder(other, [String(b)]).includes(String(a));
          expect(graph.tryEdge(a, b, 0)).toBe(!closes);
          if (!closes) other.setEdge(String(a), String(b));
        }
      },
    ),
    { numRuns: 1000 },
  );
});

test("Kahn's sort leaves out what stands on a cycle or behind one", () => {
  const order = topologicalOrder(
    build(5, [
      [0, 1],
      [1, 2],
      [2, 1],
      [2, 3],
    ]),
    (v) => v,
  );
  expect([...order]).toEqual([0, 4]);
});

test("the textbook example of getting dressed (Cormen et al., Introduction to Algorithms, topological sort; from memory)", () => {
  const clothes = ["undershorts", "trousers", "belt", "shirt", "tie", "jacket", "socks", "shoes", "watch"];
  const before =
    "undershorts>trousers undershorts>shoes trousers>belt trousers>shoes belt>jacket shirt>belt shirt>tie tie>jacket socks>shoes";
  const edges = before.split(" ").map((pair) => {
    const [from, to] = pair.split(">").map((name) => clothes.indexOf(name));
    return [from!, to!] as const;
  });
  const order = topologicalOrder(build(clothes.length, edges), (v) => v);
  const place = new Map([...order].map((v, at) => [v, at]));
  expect(order).toHaveLength(clothes.length);
  for (const [from, to] of edges) expect(place.get(from)!).toBeLessThan(place.get(to)!);
});

/** The size of a maximum matching by trying every choice; for a handful of vertices. */
function matchingByTrying(
  adjacent: readonly (readonly number[])[],
  right = 0,
  used = new Set<number>(),
): number {
  if (right === adjacent.length) return 0;
  let best = matchingByTrying(adjacent, right + 1, used);
  for (const left of adjacent[right]!)
    if (!used.has(left))
      best = Math.max(best, 1 + matchingByTrying(adjacent, right + 1, new Set(used).add(left)));
  return best;
}

const sizeOf = (partners: Int32Array) => partners.filter((partner) => partner !== -1).length;

test("the worked example of Cormen, Leiserson, Rivest and Stein, Introduction to Algorithms, figure 26.8 (from memory)", () => {
  const joined = [[0], [0, 2], [1, 2, 3], [2], [2]];
  const matrix = new BitRows(5, 4);
  joined.forEach((lefts, right) => lefts.forEach((left) => matrix.set(right, left)));
  expect(sizeOf(maximumMatching(matrix).ofRight)).toBe(3);
});

test("matchings are as large as any, and Kőnig's cover proves it", () => {
  const rows = fc.array(fc.array(fc.nat(39), { maxLength: 4 }), { minLength: 1, maxLength: 6 });
  fc.assert(
    fc.property(rows, (adjacent) => {
      const matrix = new BitRows(adjacent.length, 40);
      adjacent.forEach((lefts, right) => lefts.forEach((left) => matrix.set(right, left)));
      const { ofRight, ofLeft, reachedLeft } = maximumMatching(matrix);
      const size = sizeOf(ofRight);
      expect(size).toBe(matchingByTrying(adjacent));
      ofRight.forEach((left, right) => {
        if (left === -1) return;
        expect(adjacent[right]).toContain(left);
        expect(ofLeft[left]).toBe(right);
      });
      const reachedRight = [...ofRight].map((left) => left === -1 || reachedLeft[left] === 1);
      const cover =
        reachedRight.filter((reached) => !reached).length + [...reachedLeft].filter(Boolean).length;
      expect(cover).toBe(size);
      adjacent.forEach((lefts, right) =>
        lefts.forEach((left) => expect(!reachedRight[right] || Boolean(reachedLeft[left])).toBe(true)),
      );
    }),
    { numRuns: 300 },
  );
});

test("Dilworth's theorem on divisibility: the longest antichain of 1..n has ceil(n/2) elements", () => {
  for (const n of [1, 2, 7, 20, 51]) {
    const multiples = new BitRows(n, n);
    for (let a = 1; a <= n; a++) for (let b = 2 * a; b <= n; b += a) multiples.set(a - 1, b - 1);
    expect(n - sizeOf(maximumMatching(multiples).ofRight)).toBe(Math.ceil(n / 2));
  }
});

test("longest increasing subsequences are as long as any", () => {
  fc.assert(
    fc.property(fc.uniqueArray(fc.nat(50), { maxLength: 9 }), (values) => {
      const found = longestIncreasing(values);
      for (let at = 1; at < found.length; at++) {
        expect(found[at]!).toBeGreaterThan(found[at - 1]!);
        expect(values[found[at]!]!).toBeGreaterThan(values[found[at - 1]!]!);
      }
      let best = 0;
      for (let set = 0; set < 1 << values.length; set++) {
        const chosen = values.filter((_, at) => set & (1 << at));
        if (chosen.every((value, at) => at === 0 || value > chosen[at - 1]!))
          best = Math.max(best, chosen.length);
      }
      expect(found).toHaveLength(best);
    }),
    { numRuns: 300 },
  );
});

test("what moved is the fewest whose moving makes the one order the other", () => {
  const orders = fc
    .uniqueArray(fc.constantFrom(..."abcdefgh"), { maxLength: 8 })
    .chain((before) => fc.tuple(fc.constant(before), fc.shuffledSubarray([..."abcdefgh"])));
  fc.assert(
    fc.property(orders, ([before, after]) => {
      const moved = movedBetween(before, after);
      const shared = (order: readonly string[], other: readonly string[]) =>
        order.filter((id) => other.includes(id));
      const stay = (order: readonly string[], without: readonly string[]) =>
        order.filter((id) => !without.includes(id));
      const [was, is] = [shared(before, after), shared(after, before)];
      expect(stay(was, moved)).toEqual(stay(is, moved));
      expect(is.filter((id) => moved.includes(id))).toEqual(moved);
      for (let set = 0; set < 1 << is.length; set++) {
        const fewer = is.filter((_, at) => set & (1 << at));
        if (fewer.length < moved.length) expect(stay(was, fewer)).not.toEqual(stay(is, fewer));
      }
    }),
    { numRuns: 200 },
  );
});
