import fc from "fast-check";
import { aMod } from "../testing/ids";
import { testRoster } from "../testing/roster";
import { emptyStock, type Stock } from "./roster";
import { changedStock, stockChange } from "./stock-change";

const { stock } = testRoster([{ name: "a.plank" }, { name: "b.plank" }, { name: "c.plank" }]);
/** As it comes over the wire, or out of the database: equal, and nothing of it the same object. */
const copy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
const sent = (before: Stock, after: Stock): Stock => changedStock(before, copy(stockChange(before, after)));

test("of the same stock nothing is said, and it stays the very same", () => {
  expect(stockChange(stock, copy(stock))).toEqual({});
  expect(sent(stock, copy(stock))).toBe(stock);
});

test("a mod that is tagged is one row, and every other stays the object that it was", () => {
  const tagged = copy(stock).shelf.map((mod, at) => (at === 1 ? { ...mod, tags: ["calm"] } : mod));
  const change = stockChange(stock, { ...copy(stock), shelf: tagged });
  expect(change).toEqual({ shelf: [{ from: 0, count: 1 }, { rows: [tagged[1]] }, { from: 2, count: 1 }] });
  const after = changedStock(stock, change);
  expect(after.shelf).toEqual(tagged);
  expect([after.shelf[0], after.shelf[2]]).toEqual([stock.shelf[0], stock.shelf[2]]);
  expect(after.shelf[0]).toBe(stock.shelf[0]);
  expect(after.shelf[2]).toBe(stock.shelf[2]);
  expect(after.books).toBe(stock.books);
});

test("many that come at once are one piece", () => {
  const many = Array.from({ length: 50_000 }, (_, at) => aMod(`mod-${at}`));
  expect(stockChange(stock, { ...stock, ownWork: many })).toEqual({ ownWork: [{ rows: many }] });
});

test("any stock follows from any other by its change: rows that come, go, change places, and stand there twice", () => {
  const rows = fc.array(
    fc.integer({ min: 0, max: 6 }).map((number) => stock.shelf[number % 3]!),
    { maxLength: 8 },
  );
  const ids = fc.array(fc.constantFrom("a", "b", "c", "d").map(aMod), { maxLength: 6 });
  const some = fc.record({ shelf: rows, ownWork: ids }).map((parts): Stock => ({ ...emptyStock, ...parts }));
  fc.assert(
    fc.property(some, some, (before, after) => {
      expect(sent(before, copy(after))).toEqual(after);
    }),
  );
});
