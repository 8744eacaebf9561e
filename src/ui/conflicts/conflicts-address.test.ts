import fc from "fast-check";
import { everyConflict } from "@/core/conflict/survey";
import {
  conflictsAbout,
  conflictsFromQuery,
  conflictsToQuery,
  isNarrowed,
  sheets,
} from "./conflicts-address";

const word = fc.string({ minLength: 1, maxLength: 12 });
const addresses = fc.record({
  of: fc.constantFrom("files" as const, "records" as const),
  sheet: fc.constantFrom(...sheets),
  query: fc.record({
    undecided: fc.boolean(),
    unequal: fc.boolean(),
    section: fc.option(word),
    kind: fc.option(word),
    tag: fc.option(word),
    item: fc.option(word),
    text: fc.oneof(fc.constant(""), word),
  }),
  looked: fc.oneof(
    fc.constant(null),
    fc.record({ kind: fc.constant("pair" as const), pair: fc.tuple(word, word) }),
    fc.record({ kind: fc.constant("key" as const), key: word }),
    fc.record({ kind: fc.constant("item" as const), id: word }),
  ),
});

test("what an address says of the conflicts is what was put into it", () => {
  fc.assert(
    fc.property(addresses, (address) => {
      const text = conflictsToQuery(address).toString();
      expect(conflictsFromQuery(new URLSearchParams(text))).toEqual(address);
    }),
  );
});

test("what is not understood says nothing, and an address without words is the view as it begins", () => {
  const plain = { of: "files", sheet: "matrix", query: everyConflict, looked: null };
  expect(conflictsFromQuery(new URLSearchParams("of=sounds&show=all&undecided=maybe&pair=one"))).toEqual(
    plain,
  );
  expect(conflictsToQuery({ ...plain } as never).toString()).toBe("");
  expect(isNarrowed(everyConflict)).toBe(false);
  expect(isNarrowed({ ...everyConflict, text: " " })).toBe(false);
  expect(isNarrowed({ ...everyConflict, kind: "." })).toBe(true);
  expect(conflictsAbout("records", { kind: "item", id: "a b" })).toBe("/conflicts?of=records&about=a+b");
});
