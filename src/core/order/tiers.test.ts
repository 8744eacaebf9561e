import fc from "fast-check";
import { numbersOfSeats, seatsOfNumbers } from "./tiers";

const tiers = ["Interface", "World", "Patches"].map((section, at) => ({ section, value: (at + 1) * 10 }));

test("a number is its tier's value plus a weight; below the first tier there is no section", () => {
  const items = [
    { id: "late", number: 31 },
    { id: "early", number: 3 },
    { id: "edge", number: 20 },
    { id: "mid", number: 19.9 },
  ];
  expect(seatsOfNumbers(tiers, items)).toEqual([
    { id: "early", section: null },
    { id: "mid", section: "Interface" },
    { id: "edge", section: "World" },
    { id: "late", section: "Patches" },
  ]);
});

test("equal numbers stay as they are listed", () => {
  const items = ["b", "a", "c"].map((id) => ({ id, number: 12 }));
  expect(seatsOfNumbers(tiers, items).map(({ id }) => id)).toEqual(["b", "a", "c"]);
});

test("numbers that rise already are kept, and what was moved between two is numbered between them", () => {
  const world = (id: string, number?: number) => ({
    id,
    section: "World",
    ...(number === undefined ? {} : { number }),
  });
  const numbers = numbersOfSeats(tiers, [world("a", 21), world("c", 29), world("b", 22), world("new")]);
  expect(numbers).toEqual([
    { id: "a", number: 21 },
    { id: "c", number: 21.5 },
    { id: "b", number: 22 },
    { id: "new", number: 26 },
  ]);
});

test("numbers without any start at the tier's value and stay below the next", () => {
  const items = ["a", "b", "c"].map((id) => ({ id, section: "Interface" }));
  expect(numbersOfSeats(tiers, items).map(({ number }) => number)).toEqual([10, 13, 17]);
});

test("there and back again: the order and the sections come back, whatever numbers were there", () => {
  const item = fc.record({
    section: fc.constantFrom(null, "Interface", "World", "Patches"),
    number: fc.option(fc.double({ min: 0, max: 45, noNaN: true }), { nil: undefined }),
  });
  fc.assert(
    fc.property(fc.array(item, { maxLength: 40 }), (given) => {
      const rank = (section: string | null) => tiers.findIndex((tier) => tier.section === section);
      const items = given
        .map(({ section, number }, at) => ({
          id: `n${at}`,
          section,
          ...(number === undefined ? {} : { number }),
        }))
        .sort((a, b) => rank(a.section) - rank(b.section));
      const numbers = numbersOfSeats(tiers, items);
      expect(new Set(numbers.map(({ number }) => number)).size).toBe(items.length);
      expect(seatsOfNumbers(tiers, [...numbers].reverse())).toEqual(
        items.map(({ id, section }) => ({ id, section })),
      );
    }),
    { numRuns: 500 },
  );
});

test("numbers that say the same already are not touched", () => {
  const numbers = fc.uniqueArray(fc.double({ min: 0, max: 60, noNaN: true }), { maxLength: 30 });
  fc.assert(
    fc.property(numbers, (values) => {
      const numbered = values.map((number, at) => ({ id: `n${at}`, number }));
      const numberOf = new Map(numbered.map(({ id, number }) => [id, number]));
      const seated = seatsOfNumbers(tiers, numbered).map((seat) => ({
        ...seat,
        number: numberOf.get(seat.id)!,
      }));
      const expected = [...numbered].sort((a, b) => a.number - b.number);
      expect(numbersOfSeats(tiers, seated)).toEqual(expected);
    }),
    { numRuns: 300 },
  );
});
