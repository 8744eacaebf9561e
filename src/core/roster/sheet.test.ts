import { testRoster, withState } from "../testing/roster";
import type { SheetNumber } from "../model/profile";
import { numberEdit, renumberEdit } from "../edit/numbers";
import { applySteps } from "../edit/steps";
import type { Roster } from "./roster";
import { numbersOf, outgrown, renumbered, standardAfter, tiersOfSheet } from "./sheet";

const names = ["Core.keel", "a.plank", "b.plank", "c.plank"];
const base = testRoster([
  ...names.map((name) => ({ name })),
  { name: "p.plank", section: "patches" },
  { name: "q.plank", section: "patches" },
]);
const tier = (id: string, number: number): SheetNumber => ({ list: "plugins", of: "section", id, number });
const weight = (id: string, number: number): SheetNumber => ({ list: "plugins", of: "item", id, number });
const given = (...numbers: SheetNumber[]): Roster => withState(base, { ...base.profile.state, numbers });
const sheetOf = (roster: Roster) => roster.lists.plugins;
const numbers = (roster: Roster) =>
  numbersOf(sheetOf(roster)).map(({ id, number }) => `${id.split(".")[0]} ${number}`);
const values = (roster: Roster) => tiersOfSheet(sheetOf(roster)).map(({ value }) => value);

test("sections are tiers of ten; an own number lasts, and those behind it go on from it", () => {
  expect(values(base).slice(0, 4)).toEqual([10, 20, 30, 40]);
  expect(values(given(tier("world", 100))).slice(0, 4)).toEqual([10, 20, 100, 110]);
  expect(values(given(tier("world", 35))).slice(0, 4)).toEqual([10, 20, 35, 40]);
  // One that does not rise above the tier before does not count.
  expect(values(given(tier("world", 20))).slice(0, 4)).toEqual([10, 20, 30, 40]);
  expect([standardAfter(0), standardAfter(9.5), standardAfter(10), standardAfter(35)]).toEqual([
    10, 10, 20, 40,
  ]);
});

test("an item keeps the weight that it was given, inside whatever number its tier has", () => {
  expect(numbers(given(weight("b.plank", 5)))).toContain("b 35");
  expect(numbers(given(weight("b.plank", 5), tier("world", 100)))).toContain("b 105");
  expect(numbers(given(weight("b.plank", 0.1), weight("c.plank", 0.2)))).toEqual(
    expect.arrayContaining(["b 30.1", "c 30.2"]),
  );
  // Of weights that the order contradicts one gives way, and one that leads past its tier.
  const turned = numbers(given(weight("a.plank", 7), weight("b.plank", 2)));
  expect(turned.filter((each) => each === "a 37" || each === "b 32")).toHaveLength(1);
  expect(numbers(given(weight("b.plank", 12)))).not.toContain("b 42");
  // The mods have numbers of their own.
  const { mods } = given({ ...weight("b", 5), list: "mods" }).lists;
  expect(numbersOf(mods).map(({ number }) => number)).toContain(15);
});

test("a tier that holds more than it has whole numbers, or a weight past its end, is told", () => {
  expect(outgrown(sheetOf(base))).toEqual([]);
  const told = (...all: SheetNumber[]) => outgrown(sheetOf(given(...all))).map(({ section }) => section);
  expect(told(tier("world", 38))).toEqual(["world"]);
  expect(told(tier("world", 37))).toEqual([]);
  expect(told(weight("b.plank", 10))).toEqual(["world"]);
  expect(told(weight("b.plank", 9))).toEqual([]);
});

test("numbered anew every tier has room, what had a weight has a whole one, and one undo takes it back", () => {
  const roster = given(weight("b.plank", 0.5), weight("c.plank", 0.75), tier("world", 38));
  const { tiers } = renumbered(sheetOf(roster));
  expect(tiers.find(({ section }) => section === "world")).toEqual({ section: "world", from: 38, to: 30 });
  const edit = renumberEdit(roster, "plugins")!;
  const applied = applySteps(roster.profile.state, edit.steps);
  if (!applied.ok) throw new Error(applied.refusal.code);
  const after = withState(roster, applied.value.state);
  expect(outgrown(sheetOf(after))).toEqual([]);
  expect(numbers(after)).toEqual(expect.arrayContaining(["b 32", "c 33"]));
  expect(renumberEdit(after, "plugins")).toBeNull();
  const back = applySteps(applied.value.state, applied.value.inverse);
  expect(back.ok && back.value.state.numbers).toEqual(roster.profile.state.numbers);
  const many = testRoster(Array.from({ length: 30 }, (_, at) => ({ name: `m${at}.plank` })));
  expect(
    renumbered(sheetOf(many))
      .tiers.slice(0, 2)
      .map(({ to }) => to),
  ).toEqual([100, 200]);
});

test("a number is given and taken away by one edit each", () => {
  const { number: _, ...key } = weight("b.plank", 5);
  const on = applySteps(base.profile.state, numberEdit(key, 5).steps);
  expect(on.ok && on.value.state.numbers).toEqual([weight("b.plank", 5)]);
  const off = applySteps(on.ok ? on.value.state : base.profile.state, numberEdit(key, null).steps);
  expect(off.ok && off.value.state.numbers).toEqual([]);
});
