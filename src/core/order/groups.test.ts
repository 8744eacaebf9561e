import fc from "fast-check";
import type { OrderProblem, OrderRule } from "../model/problem";
import { anyProblem } from "../testing/arbitrary";
import { propose } from "./propose";
import { verifyResult } from "./verify";
import { writeResult } from "./write-result";

const problem = (items: string, rules: OrderRule[] = [], rest: Partial<OrderProblem> = {}): OrderProblem => ({
  format: "seating-order-problem/1",
  items: items.split(" ").map((text) => {
    const [id, need] = text.split(":");
    return { id: id!, needs: need ? [need] : [] };
  }),
  rules,
  ...rest,
});

const together = (items: string, weight?: number): OrderRule => ({
  kind: "together",
  items: items.split(""),
  strength: "prefer",
  ...(weight === undefined ? {} : { weight }),
});

const orderOf = (given: OrderProblem) => propose(given).result.order.join("");

test("a group gathers at its longest run of neighbours, the earliest of equal ones", () => {
  expect(orderOf(problem("a x b c y d", [together("abcd")]))).toBe("xabcdy");
  expect(orderOf(problem("a x b y", [together("ab")]))).toBe("abxy");
  const { result } = propose(problem("a x b c y d", [together("abcd")]));
  expect([[...result.moved].sort(), result.certificate]).toEqual([["a", "d"], null]);
});

test("inside a group ties hold, and others see it as one item", () => {
  expect(orderOf(problem("b:a a x", [together("ab")]))).toBe("abx");
  expect(
    orderOf(
      problem("a b x y:b", [
        together("ab"),
        { kind: "before", item: "x", other: "a", strength: "prefer", weight: 0.5 },
      ]),
    ),
  ).toBe("xaby");
});

test("something that must stand between two members sets the group aside, with the chain", () => {
  const { result } = propose(problem("a x:a b:x c", [together("ab")]));
  expect(result.order.join("")).toBe("axbc");
  expect(result.setAside).toEqual([
    {
      rule: together("ab"),
      index: 0,
      because: [
        { before: "a", after: "x", because: "needs" },
        { before: "x", after: "b", because: "needs" },
      ],
    },
  ]);
  expect(result.certificate).not.toBeNull();
});

test("borders of classes and sections count as something between; a shared item sets the later group aside", () => {
  const given: OrderProblem = {
    format: "seating-order-problem/1",
    items: [
      { id: "a", section: "one" },
      { id: "b", section: "two" },
      { id: "c", section: "two" },
    ],
    sections: ["one", "two"],
    rules: [together("ab"), together("bc")],
  };
  expect(propose(given).result.setAside.map(({ index }) => index)).toEqual([0]);
  expect(
    propose(problem("a b c", [together("bc"), together("ab", 2)])).result.setAside.map(({ index }) => index),
  ).toEqual([0]);
});

test("absent members are passed over, and a group of one is none", () => {
  const { result } = propose(
    problem("a x b", [{ kind: "together", items: ["a", "gone"], strength: "prefer" }]),
  );
  expect([result.order.join(""), result.certificate, result.setAside]).toEqual(["axb", [], []]);
});

test("a rule for first or last holds inside a group as well", () => {
  const last = (item: string): OrderRule => ({ kind: "last", item, within: "list", strength: "must" });
  expect(orderOf(problem("a x b y", [together("ab"), last("a")]))).toBe("xyba");
  expect(
    orderOf(
      problem("x b y a", [
        together("ab"),
        { kind: "first", item: "a", within: "list", strength: "prefer", weight: 0.5 },
      ]),
    ),
  ).toBe("abxy");
});

/** Needs point to earlier letters, so that there is no circle; the items stand in any order. */
const grouped: fc.Arbitrary<OrderProblem> = fc.integer({ min: 3, max: 6 }).chain((n) => {
  const names = "abcdef".slice(0, n).split("");
  const name = fc.constantFrom(...names);
  const rule = fc.oneof(
    fc.record({
      kind: fc.constant("together" as const),
      items: fc.uniqueArray(name, { minLength: 2, maxLength: 4 }),
      strength: fc.constant("prefer" as const),
      weight: fc.constantFrom(1, 2),
    }),
    fc.record({
      kind: fc.constantFrom("after" as const, "before" as const),
      item: name,
      other: name,
      strength: fc.constant("prefer" as const),
      weight: fc.constantFrom(1, 2),
    }),
  );
  const needs = fc.tuple(
    ...names.map((_, at) =>
      at === 0 ? fc.constant<string[]>([]) : fc.subarray(names.slice(0, at), { maxLength: 1 }),
    ),
  );
  return fc
    .record({
      needs,
      order: fc.shuffledSubarray(names, { minLength: n, maxLength: n }),
      rules: fc.array(rule, { maxLength: 4 }),
    })
    .map(({ needs: all, order, rules }): OrderProblem => ({
      format: "seating-order-problem/1",
      items: order.map((id) => ({ id, needs: all[names.indexOf(id)]! })),
      rules,
    }));
});

function* permutations(
  items: readonly string[],
  begun: readonly string[] = [],
): Generator<readonly string[]> {
  if (begun.length === items.length) yield begun;
  for (const item of items) if (!begun.includes(item)) yield* permutations(items, [...begun, item]);
}

const obeys = (order: readonly string[], rule: OrderRule): boolean => {
  if (rule.kind === "together") {
    const places = rule.items.map((id) => order.indexOf(id));
    return Math.max(...places) - Math.min(...places) === rule.items.length - 1;
  }
  if (!("other" in rule)) return true;
  const [earlier, later] = rule.kind === "before" ? [rule.item, rule.other] : [rule.other, rule.item];
  return order.indexOf(earlier) < order.indexOf(later);
};

test("a rule is kept just where some order obeys it with all that was kept before, by listing all orders", () => {
  fc.assert(
    fc.property(grouped, (given) => {
      const all = [...permutations(given.items.map((item) => item.id))];
      let possible = all.filter((order) =>
        given.items.every((item) =>
          item.needs!.every((need) => order.indexOf(need) < order.indexOf(item.id)),
        ),
      );
      const rules = given
        .rules!.map((rule, index) => ({ rule, index }))
        .sort((a, b) => (b.rule.weight ?? 1) - (a.rule.weight ?? 1) || a.index - b.index);
      const aside: number[] = [];
      const taken = new Set<string>();
      for (const { rule, index } of rules) {
        const shares = rule.kind === "together" && rule.items.some((id) => taken.has(id));
        const left = possible.filter((order) => obeys(order, rule));
        if (shares || left.length === 0) {
          aside.push(index);
          continue;
        }
        possible = left;
        if (rule.kind === "together") for (const id of rule.items) taken.add(id);
      }
      const { result } = propose(given);
      expect(result.setAside.map(({ index }) => index!).sort()).toEqual(aside.sort());
      expect(possible.map((order) => order.join(""))).toContain(result.order.join(""));
    }),
    { numRuns: 1500 },
  );
});

test("with groups too, the order is right, says who moved, and is proposed again unchanged", () => {
  const withGroups = anyProblem(7).chain((given) => {
    const name = fc.constantFrom(...given.items.map((item) => item.id));
    const group = fc.record({
      kind: fc.constant("together" as const),
      items: fc.uniqueArray(name, { minLength: 1, maxLength: 4 }),
      strength: fc.constant("prefer" as const),
      weight: fc.constantFrom(0.5, 1, 2),
    });
    return fc
      .array(group, { minLength: 1, maxLength: 3 })
      .map((groups): OrderProblem => ({ ...given, rules: [...given.rules!, ...groups] }));
  });
  fc.assert(
    fc.property(withGroups, (given) => {
      const { result } = propose(given);
      expect(verifyResult(given, writeResult(result))).toEqual([]);
      const byId = new Map(given.items.map((item) => [item.id, item]));
      const again = propose({ ...given, items: result.order.map((id) => byId.get(id)!) }).result;
      expect([again.order, again.moved]).toEqual([result.order, []]);
    }),
    { numRuns: 1500 },
  );
});

test.each([
  ["first", "e:c a x b c d", "c", "c"],
  ["last", "c e a x b d:c", "d", "d"],
] as const)("beside a group an item can still be %s of all, also one with needs", (kind, items, item, at) => {
  const rule: OrderRule = { kind, item, within: "list", strength: "prefer", weight: 0.5 };
  const { result } = propose(problem(items, [together("ab"), rule]));
  expect(result.setAside).toEqual([]);
  expect(result.order.at(kind === "first" ? 0 : -1)).toBe(at);
  expect(Math.abs(result.order.indexOf("a") - result.order.indexOf("b"))).toBe(1);
});

test.each(["first", "last"] as const)(
  "a member that must not be %s, by what its group needs, is told so",
  (kind) => {
    const items = kind === "first" ? "x a:x b c" : "a b x:a c";
    const rule: OrderRule = { kind, item: "b", within: "list", strength: "prefer", weight: 0.5 };
    const { result } = propose(problem(items, [together("ab"), rule]));
    expect(result.setAside.map(({ index }) => index)).toEqual([1]);
  },
);
