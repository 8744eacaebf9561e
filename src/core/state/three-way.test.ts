import fc from "fast-check";
import { collection } from "./keyed-facet";
import { sameValue, threeWay, type Side } from "./three-way";

test("values are the same by what they say, whatever order their keys stand in", () => {
  expect(sameValue({ a: 1, b: { c: [1, 2], d: 2 } }, { b: { d: 2, c: [1, 2] }, a: 1 })).toBe(true);
  expect(sameValue([1, 2], [2, 1])).toBe(false);
  expect(sameValue({ a: undefined }, {})).toBe(true);
  expect(sameValue(undefined, null)).toBe(false);
});

const value = fc.option(fc.constantFrom("x", "y", "z"), { nil: undefined });

test("of one value: who changed it decides, and only two changes that differ clash", () => {
  fc.assert(
    fc.property(value, value, value, fc.constantFrom<Side>("mine", "theirs"), (base, mine, theirs, side) => {
      const merged = threeWay(base, mine, theirs, side);
      expect(merged.clash).toBe(mine !== base && theirs !== base && mine !== theirs);
      if (merged.clash) expect(merged.value).toBe(side === "mine" ? mine : theirs);
      else expect(merged.value).toBe(mine === base ? theirs : mine);
    }),
  );
});

interface Item {
  readonly id: string;
  readonly word: string;
}
const items = fc.uniqueArray(fc.record({ id: fc.constantFrom(..."abcd"), word: fc.constantFrom("x", "y") }), {
  selector: ({ id }) => id,
});
const keyOf = ({ id }: Item) => id;
const { merge } = collection<readonly Item[], Item>({ items: (all) => all, from: (all) => all, keyOf });

test("of collections: each key is merged by itself, once, and a clash names both sides", () => {
  fc.assert(
    fc.property(items, items, items, fc.constantFrom<Side>("mine", "theirs"), (base, mine, theirs, side) => {
      const { value: values, clashes } = merge([base, mine, theirs], () => side);
      const at = (some: readonly Item[], id: string) => some.find((item) => item.id === id)?.word;
      for (const id of "abcd") {
        const alone = threeWay(at(base, id), at(mine, id), at(theirs, id), side);
        expect([id, at(values, id)]).toEqual([id, alone.value]);
        expect([id, clashes.some(({ key }) => key === id)]).toEqual([id, alone.clash]);
      }
      for (const { key, mine: a, theirs: b } of clashes)
        expect([a.value, b.value]).toEqual(
          [mine, theirs].map((some) => some.find((item) => item.id === key)),
        );
      expect(new Set(values.map(keyOf)).size).toBe(values.length);
    }),
  );
});
