import fc from "fast-check";
import type { OrderProblem } from "../model/problem";
import { anyProblem } from "../testing/arbitrary";
import { propose } from "./propose";
import { brokenTies, findContradictions, withItemAt, withWeakened, withoutRule } from "./what-if";

const problem: OrderProblem = {
  format: "seating-order-problem/1",
  items: [{ id: "a" }, { id: "b", needs: ["a"] }, { id: "c" }, { id: "d" }],
  rules: [
    { kind: "after", item: "c", other: "b", strength: "must" },
    { id: "back", kind: "before", item: "c", other: "a", strength: "must" },
    { kind: "after", item: "a", other: "d", strength: "prefer" },
  ],
};

test("a contradiction shows its circle and the ways out, cheapest first", () => {
  const [found] = findContradictions(problem, propose(problem));
  expect(found!.rule).toMatchObject({ id: "back" });
  expect(found!.name).toBe("back");
  expect(found!.circle).toEqual({
    links: [
      { before: "a", after: "b", because: "needs" },
      { before: "b", after: "c", because: { rule: "#0" } },
      { before: "c", after: "a", because: { rule: "back" } },
    ],
    left: 0,
  });
  expect(found!.waysOut).toEqual([
    { how: "drop", index: 1, rule: "back", moves: 1, setAside: 0 },
    { how: "drop", index: 0, rule: "#0", moves: 2, setAside: 0 },
    { how: "weaken", index: 0, rule: "#0", moves: 2, setAside: 1 },
  ]);
});

test("every circle closes, link by link, and switching off a way out takes that rule's place among the set aside", () => {
  fc.assert(
    fc.property(anyProblem(6), (given) => {
      for (const { rule, circle, waysOut } of findContradictions(given, propose(given))) {
        const { kind } = rule;
        const { links } = circle;
        if (kind === "after" || kind === "before" || kind === "needs")
          links.forEach((link, at) => expect(links[(at + 1) % links.length]!.before).toBe(link.after));
        for (const { how, index, moves } of waysOut) {
          const changed = (how === "drop" ? withoutRule : withWeakened)(given, index);
          expect(propose(changed).result.moved).toHaveLength(moves);
        }
      }
    }),
    { numRuns: 300 },
  );
});

test("rules without an id keep the name of their place when another one is switched off", () => {
  expect(withoutRule(problem, 0).rules!.map((rule) => rule.id)).toEqual(["back", "#2"]);
});

test("an item moved against its ties breaks the nearest one", () => {
  const moved = withItemAt(problem, "b", 0)!;
  expect(moved.items.map((item) => item.id)).toEqual(["b", "a", "c", "d"]);
  expect(brokenTies(moved, "b")).toEqual([{ before: "a", after: "b", because: "needs" }]);
  expect(brokenTies(withoutRule(problem, 2), "b")).toEqual([]);
  expect(propose(moved).result.moved.length).toBeGreaterThan(0);
  expect(withItemAt(problem, "nobody", 0)).toBeNull();
});
