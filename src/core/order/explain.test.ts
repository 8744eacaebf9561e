import fc from "fast-check";
import type { OrderProblem } from "../model/problem";
import { anyProblem } from "../testing/arbitrary";
import { findConstraints } from "./constraints";
import { whyHere } from "./explain";
import { propose } from "./propose";
import { readProblem } from "./read-problem";
import { verifyResult } from "./verify";
import { writeResult } from "./write-result";

const example: OrderProblem = {
  format: "seating-order-problem/1",
  classes: ["base", "rest"],
  sections: ["one", "two"],
  items: [
    { id: "core", class: "base" },
    { id: "a", section: "one" },
    { id: "b", section: "one", needs: ["a", "core"] },
    { id: "c", section: "two" },
    { id: "d", section: "two" },
  ],
  rules: [{ id: "r", kind: "before", item: "b", other: "d", strength: "prefer" }],
};

test("why an item is here: its ties above and below with their origins, the nearest first", () => {
  expect(whyHere(findConstraints(example), "b")).toEqual({
    above: [
      { before: "a", after: "b", because: "needs" },
      { before: "core", after: "b", because: "needs" },
    ],
    below: [
      { before: "b", after: "c", because: "section" },
      { before: "b", after: "d", because: { rule: "r" } },
    ],
  });
  expect(whyHere(findConstraints(example), "a")!.above).toEqual([
    { before: "core", after: "a", because: "class" },
  ]);
  expect(whyHere(findConstraints(example), "nobody")).toBeNull();
});

describe("the independent check", () => {
  test("finds nothing wrong with any result of the solver", () => {
    fc.assert(
      fc.property(anyProblem(8), (problem) => {
        expect(verifyResult(problem, writeResult(propose(problem).result))).toEqual([]);
      }),
      { numRuns: 2000 },
    );
  });

  test("refuses a result that claims one move fewer, and an order with two items exchanged against a tie", () => {
    fc.assert(
      fc.property(anyProblem(7), (problem) => {
        const result = writeResult(propose(problem).result);
        fc.pre(result.moved.length > 0);
        const fewer = { ...result, moved: result.moved.slice(1), certificate: result.certificate!.slice(1) };
        expect(verifyResult(problem, fewer)).not.toEqual([]);
        const [earlier, later] = result.certificate![0]!;
        const swap = (id: string) => (id === earlier ? later : id === later ? earlier : id);
        expect(verifyResult(problem, { ...result, order: result.order.map(swap) })).not.toEqual([]);
      }),
      { numRuns: 500 },
    );
  });

  test("says what is wrong in words", () => {
    const result = writeResult(propose(example).result);
    expect(verifyResult(example, { ...result, order: ["core", "b", "a", "c", "d"] })).toContain(
      "a should come before b (needs)",
    );
    expect(verifyResult(example, { ...result, order: ["a", "b", "c", "d"] })).toContain(
      "the order does not hold every item exactly once",
    );
    expect(verifyResult(example, { ...result, certificate: [["a", "b"]] })).toContain(
      "nothing makes b come before a",
    );
    expect(verifyResult(example, { ...result, order: ["core", "c", "a", "b", "d"] })).toContain(
      "a comes after an item of a later section",
    );
  });
});

describe("problems from outside", () => {
  const read = (change: object) => {
    const outcome = readProblem({ ...example, ...change });
    return outcome.ok ? null : outcome.refusal.data.path;
  };

  test("a sound one is taken as it is", () => {
    expect(readProblem(example)).toEqual({ ok: true, value: example });
  });

  test.each([
    ["an id twice", { items: [{ id: "a" }, { id: "a" }] }, "items[1].id"],
    ["an unknown class", { items: [{ id: "a", class: "top" }] }, "items[0].class"],
    ["an unknown section", { items: [{ id: "a", section: "nine" }] }, "items[0].section"],
    [
      "an unknown kind",
      { rules: [{ kind: "beside", item: "a", other: "b", strength: "must" }] },
      "rules[0].kind",
    ],
    [
      "an unknown strength",
      { rules: [{ kind: "after", item: "a", other: "b", strength: "maybe" }] },
      "rules[0].strength",
    ],
    [
      "a weight that is no number",
      { rules: [{ kind: "after", item: "a", other: "b", strength: "prefer", weight: "3" }] },
      "rules[0].weight",
    ],
    [
      "a group that must",
      { rules: [{ kind: "together", items: ["a", "b"], strength: "must" }] },
      "rules[0].strength",
    ],
    ["another format", { format: "seating-order-problem/2" }, "format"],
  ])("%s is refused with its path", (_, change, path) => {
    expect(read(change)).toBe(path);
  });

  test("what is no problem at all is refused at the top", () => {
    expect(readProblem(7)).toMatchObject({ ok: false, refusal: { data: { path: "the top" } } });
  });
});
