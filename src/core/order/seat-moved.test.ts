import fc from "fast-check";
import type { OrderProblem } from "../model/problem";
import { anyProblem } from "../testing/arbitrary";
import { propose } from "./propose";

const problem = (...items: (readonly [string, ...string[]])[]): OrderProblem => ({
  format: "seating-order-problem/1",
  items: items.map(([id, ...needs]) => ({ id, needs })),
});

const orderOf = (given: OrderProblem) => propose(given).result.order.join("");

test("a moved item goes right before the first that must follow it", () => {
  expect(orderOf(problem(["a"], ["b", "z"], ["c"], ["d"], ["z"]))).toBe("azbcd");
});

test("and right behind the last that it must follow, where that stands later", () => {
  expect(orderOf(problem(["a", "y"], ["b"], ["c"], ["x"], ["y", "x"], ["d"]))).toBe("bcxyad");
});

test("several that move to one place keep their order among themselves", () => {
  expect(orderOf(problem(["a", "y", "z"], ["b"], ["y"], ["z"]))).toBe("byza");
  expect(orderOf(problem(["a", "z"], ["b", "z"], ["c", "z"], ["y"], ["z", "y"]))).toBe("yzabc");
});

test("what does not move is not dragged to the front by what does", () => {
  const { result } = propose(problem(["m"], ["n"], ["o", "q"], ["p"], ["q"], ["r"]));
  expect([result.order.join(""), result.moved]).toEqual(["mnqopr", ["q"]]);
});

test("an item moves no further than it must: put back by one place, it breaks a tie with an item that stays or moved with it", () => {
  fc.assert(
    fc.property(anyProblem(7), (given) => {
      const { result } = propose(given);
      const now = new Map(given.items.map((item, place) => [item.id, place]));
      for (const id of result.moved) {
        const then = result.order.indexOf(id);
        const movedUp = then < now.get(id)!;
        const neighbour = result.order[movedUp ? then + 1 : then - 1];
        if (neighbour === undefined || result.moved.includes(neighbour)) continue;
        const swapped = [...result.order];
        [swapped[then], swapped[movedUp ? then + 1 : then - 1]] = [neighbour, id];
        const byId = new Map(given.items.map((item) => [item.id, item]));
        const again = propose({ ...given, items: swapped.map((each) => byId.get(each)!) }).result;
        const neighbourPlace = now.get(neighbour)!;
        const passedOnTheWay = movedUp ? neighbourPlace < now.get(id)! : neighbourPlace > now.get(id)!;
        if (passedOnTheWay) expect(again.moved).not.toEqual([]);
      }
    }),
    { numRuns: 600 },
  );
});
