import fc from "fast-check";
import { components } from "./components";
import { digraph, type Digraph } from "./digraph";
import { ShortestCycles } from "./shortest-cycles";

/** A breadth-first search from every member over the whole component, the plain way. */
function plainly({ outStart, outTo }: Digraph, members: readonly number[]): number[] {
  let best: number[] = [];
  const within = new Set(members);
  for (const start of members) {
    const paths: number[][] = [[start]];
    const seen = new Set<number>();
    for (const path of paths) {
      if (best.length > 0 && path.length >= best.length) break;
      const next = [...outTo.subarray(outStart[path.at(-1)!], outStart[path.at(-1)! + 1])];
      if (next.includes(start)) {
        best = path;
        break;
      }
      for (const w of next)
        if (within.has(w) && !seen.has(w)) {
          seen.add(w);
          paths.push([...path, w]);
        }
    }
  }
  return best;
}

test("a shortest cycle of each component is the one that a search from each member finds", () => {
  const edges = fc.array(fc.tuple(fc.nat(13), fc.nat(13)), { maxLength: 40 });
  fc.assert(
    fc.property(edges, (pairs) => {
      const graph = digraph(
        14,
        pairs.map(([from]) => from),
        pairs.map(([, to]) => to),
      );
      const { component } = components(graph);
      const shortest = new ShortestCycles(graph);
      for (const at of new Set(component)) {
        const members = [...component.keys()].filter((v) => component[v] === at);
        expect(shortest.within(members)).toEqual(plainly(graph, members));
      }
    }),
    { numRuns: 1000 },
  );
});

test("a ring with a short cut", () => {
  const ring = Array.from({ length: 50 }, (_, at) => at);
  const graph = digraph(50, [...ring, 30], [...ring.map((at) => (at + 1) % 50), 10]);
  expect(new ShortestCycles(graph).within(ring)).toEqual(ring.slice(10, 31));
});
