import fc from "fast-check";
import type { OrderProblem } from "../model/problem";
import { anyProblem } from "../testing/arbitrary";
import { closure } from "../testing/brute-force";
import { findConstraints } from "./constraints";
import { propose } from "./propose";
import { rangeInAnyOrder, rangesInAnyOrder, rangesStayingPut } from "./ranges";

/** The problem with its items in the proposed order: a valid one to ask about. */
function settled(problem: OrderProblem): OrderProblem {
  const byId = new Map(problem.items.map((item) => [item.id, item]));
  return { ...problem, items: propose(problem).result.order.map((id) => byId.get(id)!) };
}

test("while others stay put, an item may go just where its ties hold, by trying every place of a valid order", () => {
  fc.assert(
    fc.property(anyProblem(), (given) => {
      const problem = settled(given);
      const reach = closure(problem);
      const { first, last } = rangesStayingPut(findConstraints(problem));
      problem.items.forEach((_, v) => {
        const others = problem.items.map((__, at) => at).filter((at) => at !== v);
        const allowed = problem.items
          .map((__, place) => place)
          .filter((place) =>
            others.every((other, at) => (at < place ? !reach[v]![other] : !reach[other]![v])),
          );
        expect([first[v], last[v]]).toEqual([allowed[0], allowed.at(-1)]);
      });
    }),
    { numRuns: 400 },
  );
});

/** Every order that keeps all that must hold. */
function* validOrders(
  reach: readonly (readonly boolean[])[],
  begun: readonly number[] = [],
): Generator<readonly number[]> {
  const left = reach.map((_, at) => at).filter((at) => !begun.includes(at));
  if (left.length === 0) yield begun;
  for (const next of left)
    if (left.every((other) => other === next || !reach[other]![next]))
      yield* validOrders(reach, [...begun, next]);
}

test("in any valid order, an item stands behind its ancestors and before its descendants, by listing all orders", () => {
  fc.assert(
    fc.property(anyProblem(5), (problem) => {
      const { first, last } = rangesInAnyOrder(findConstraints(problem));
      const orders = [...validOrders(closure(problem))];
      problem.items.forEach((_, v) => {
        const places = orders.map((order) => order.indexOf(v));
        expect([first[v], last[v]]).toEqual([Math.min(...places), Math.max(...places)]);
      });
    }),
    { numRuns: 300 },
  );
});

test("ranges of more items than fit one block of columns", () => {
  const count = 5000;
  const items = Array.from({ length: count }, (_, at) => ({
    id: `n${at}`,
    needs: at % 2 === 1 ? [`n${at - 1}`] : [],
  }));
  const { first, last } = rangesInAnyOrder(findConstraints({ format: "seating-order-problem/1", items }));
  expect([first[4998], last[4998], first[4999], last[4999]]).toEqual([0, count - 2, 1, count - 1]);
});

/** Problems with one group of up to four items beside the other rules. */
const withGroup = (most: number) =>
  fc
    .tuple(anyProblem(most), fc.uniqueArray(fc.nat(most - 1), { minLength: 2, maxLength: 4 }))
    .map(([problem, group]): OrderProblem => {
      const items = group.map((at) => problem.items[at]?.id).filter((id) => id !== undefined);
      return { ...problem, rules: [...problem.rules!, { kind: "together", items, strength: "prefer" }] };
    });

/** The places of each kept group are neighbours in the order. */
const keepsGroups = (problem: OrderProblem, order: readonly number[]) =>
  findConstraints(problem).groups.kept.every(({ members }) => {
    const places = members.map((member) => order.indexOf(member));
    return Math.max(...places) - Math.min(...places) === members.length - 1;
  });

describe("with a group that stays together", () => {
  test("while others stay put, members keep to their block and others stay out of it", () => {
    fc.assert(
      fc.property(withGroup(6), (given) => {
        const problem = settled(given);
        const reach = closure(problem);
        const all = problem.items.map((_, at) => at);
        const { first, last, blocks } = rangesStayingPut(findConstraints(problem));
        const kept = findConstraints(problem).groups.kept;
        for (const v of all) {
          const allowed = all.filter((place) => {
            const order = all.filter((at) => at !== v);
            order.splice(place, 0, v);
            return (
              keepsGroups(problem, order) &&
              order.every((item, at) => order.slice(at).every((later) => !reach[later]![item]))
            );
          });
          expect([first[v], last[v]]).toEqual([allowed[0], allowed.at(-1)]);
        }
        expect(blocks).toHaveLength(kept.length);
      }),
      { numRuns: 600 },
    );
  });

  test("in any valid order the group counts as a whole, by listing all orders", () => {
    fc.assert(
      fc.property(withGroup(5), (problem) => {
        const { first, last } = rangesInAnyOrder(findConstraints(problem));
        const orders = [...validOrders(closure(problem))].filter((order) => keepsGroups(problem, order));
        problem.items.forEach((_, v) =>
          expect(rangeInAnyOrder(findConstraints(problem), v)).toEqual({ first: first[v], last: last[v] }),
        );
        problem.items.forEach((_, v) => {
          const places = orders.map((order) => order.indexOf(v));
          expect([first[v], last[v]]).toEqual([Math.min(...places), Math.max(...places)]);
        });
      }),
      { numRuns: 400 },
    );
  });
});
