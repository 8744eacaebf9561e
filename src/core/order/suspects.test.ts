import fc from "fast-check";
import { digraph } from "../graph/digraph";
import { anyProblem } from "../testing/arbitrary";
import { closure } from "../testing/brute-force";
import { findConstraints } from "./constraints";
import { findSuspects } from "./suspects";

test("hold every item of an inverted pair and every item on a path between its ends, by trying all", () => {
  fc.assert(
    fc.property(anyProblem(8), (problem) => {
      const { graph } = findConstraints(problem).ties;
      const suspects = new Set(findSuspects(graph.toDigraph(), graph.items));
      const reach = closure(problem);
      const items = problem.items.map((_, at) => at);
      for (const later of items)
        for (const earlier of items) {
          if (earlier >= later || !reach[later]![earlier]) continue;
          expect([suspects.has(later), suspects.has(earlier)]).toEqual([true, true]);
          for (const between of items)
            if (reach[later]![between] && reach[between]![earlier]) expect(suspects.has(between)).toBe(true);
        }
    }),
    { numRuns: 800 },
  );
});

test("are none where the order keeps everything, and items of inverted pairs only", () => {
  fc.assert(
    fc.property(anyProblem(8), (problem) => {
      const { graph } = findConstraints(problem).ties;
      const suspects = [...findSuspects(graph.toDigraph(), graph.items)].filter((node) => node < graph.items);
      const reach = closure(problem);
      for (const node of suspects) {
        const paired = reach.some(
          (_, other) => (other > node ? reach[other]![node] : reach[node]![other]) && other !== node,
        );
        expect(paired).toBe(true);
      }
    }),
    { numRuns: 500 },
  );
});

test("come each before those that they point to", () => {
  fc.assert(
    fc.property(anyProblem(8), (problem) => {
      const { graph } = findConstraints(problem).ties;
      const order = new Map([...findSuspects(graph.toDigraph(), graph.items)].map((node, at) => [node, at]));
      for (let e = 0; e < graph.from.length; e++) {
        const [from, to] = [order.get(graph.from[e]!), order.get(graph.to[e]!)];
        if (from !== undefined && to !== undefined) expect(from).toBeLessThan(to);
      }
    }),
    { numRuns: 500 },
  );
});

test("the drawn example: D before B, B before C", () => {
  const graph = digraph(4, [3, 1], [1, 2]);
  expect([...findSuspects(graph, 4)]).toEqual([3, 1, 2]);
  expect([...findSuspects(digraph(4, [0, 1], [1, 2]), 4)]).toEqual([]);
});
