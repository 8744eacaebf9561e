import { shelfMod, pluginFile, testRoster } from "@/core/testing/roster";
import { makeRoster } from "@/core/profile/roster";
import { countChoices, filterShelf, noShelfFilter, shelfStates, sortShelf, stateOf } from "./shelf-filter";
import { shelfRows } from "./shelf-rows";

const base = testRoster([{ name: "a.plank" }, { name: "b.plank", modOn: false }, { name: "gone.plank" }]);
const shelf = [
  ...base.stock.shelf.filter((mod) => mod.id !== "gone"),
  {
    ...shelfMod("spare", [pluginFile("s.plank"), pluginFile("t.plank")], "2.0.0"),
    size: 900,
    tags: ["water"],
  },
  { ...shelfMod("a", [], "0.9.0"), size: 5 },
  { ...shelfMod("wreck"), problem: { code: "path-unsafe", data: {} } },
];
const rows = shelfRows(makeRoster(base.game, base.profile, { ...base.stock, shelf }));
const usage = new Map([["spare", ["Harbour Lights"]]]);
const shown = (part: object) => filterShelf(rows, { ...noShelfFilter, ...part }, usage).map(({ key }) => key);

test("every row has a state of its own", () => {
  expect(rows.map((row) => [row.key, stateOf(row)])).toEqual([
    ["a-1.0.0.zip", "on"],
    ["a-0.9.0.zip", "superseded"],
    ["b-1.0.0.zip", "off"],
    ["missing gone", "missing"],
    ["spare-2.0.0.zip", "elsewhere"],
    ["wreck-1.0.0.zip", "unsound"],
  ]);
});

test("all parts of a filter have to let a row through", () => {
  expect(shown({})).toHaveLength(6);
  expect(shown({ text: "a-1 A" })).toEqual(["a-1.0.0.zip"]);
  expect(shown({ tag: "water" })).toEqual(["spare-2.0.0.zip"]);
  expect(shown({ state: "elsewhere", use: "used" })).toEqual(["spare-2.0.0.zip"]);
  expect(shown({ state: "elsewhere", use: "unused" })).toEqual([]);
  expect(shown({ use: "unused" })).toEqual(["wreck-1.0.0.zip"]);
});

test("the count of a choice is what choosing it shows, with the other parts as they are", () => {
  const filter = { ...noShelfFilter, text: "a" };
  for (const { choice, count } of countChoices(rows, filter, usage, "state", shelfStates))
    expect(count).toBe(filterShelf(rows, { ...filter, state: choice }, usage).length);
  expect(countChoices(rows, { ...filter, tag: "water" }, usage, "tag", ["water", "fog"])).toEqual([
    { choice: "water", count: 1 },
    { choice: "fog", count: 0 },
  ]);
});

test("sorted by a column, either way, equal ones by name; an unknown column changes nothing", () => {
  const keys = (sort: string) => sortShelf(rows, sort).map(({ key }) => key);
  expect(keys("-size")[0]).toBe("spare-2.0.0.zip");
  expect(keys("size").at(-1)).toBe("spare-2.0.0.zip");
  expect(keys("-plugins").slice(0, 3)).toEqual(["spare-2.0.0.zip", "a-1.0.0.zip", "b-1.0.0.zip"]);
  expect(sortShelf(rows, "nonsense")).toBe(rows);
});
