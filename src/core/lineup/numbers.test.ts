import { MODS_RANK } from "../model/game";
import type { Lineup } from "../model/lineup";
import type { SheetNumber } from "../model/profile";
import { aSection } from "../testing/ids";
import { testRoster } from "../testing/roster";
import { makeLineup } from "./make-lineup";
import { numbersSaid, sheetCellsOf, sheetLine } from "./numbers";

const facts = { title: "Pond", author: "", note: "", listVersion: "", date: "2026-11-01" };
const whole = makeLineup(
  testRoster([
    { name: "Core.keel" },
    { name: "b.plank" },
    { name: "c.plank" },
    { name: "d.plank", section: "patches" },
  ]),
  facts,
);
const number = (
  list: "mods" | "plugins",
  of: "section" | "item",
  id: string,
  value: number,
): SheetNumber => ({
  list,
  of,
  id,
  number: value,
});
const cells = (more: Partial<Lineup>) =>
  sheetCellsOf({ ...whole, ...more }).map((each) => [each.number, each.tier, each.weight].join("|"));

describe("the cells of a sheet", () => {
  test("without numbers of its curator's, sections are tens, and items are spread over them", () => {
    expect(whole.mods.map(({ id }) => id)).toEqual(["core", "b", "c", "d"]);
    expect(whole.plugins.map(({ name }) => name)).toEqual([
      "Pond.keel",
      "Core.keel",
      "b.plank",
      "c.plank",
      "d.plank",
    ]);
    expect(cells({})).toEqual(["10||", "11||", "13||", "14||", "10||", "20||", "30||", "35||", "40||"]);
  });

  test("an own number of a tier stands in each of its rows, and a weight that holds in its own", () => {
    const numbers = [
      number("plugins", "section", "world", 200),
      number("plugins", "item", "c.plank", 7.5),
      number("mods", "item", "c", 5),
    ];
    expect(cells({ numbers })).toEqual([
      "10||",
      "13||",
      "15||5",
      "16||",
      "10||",
      "20||",
      "200|200|",
      "207.5|200|7.5",
      "210||",
    ]);
  });

  test("numbers of one list say nothing of the other, and a weight against the order is none of the sheet", () => {
    const numbers = [
      number("mods", "section", "world", 500),
      number("plugins", "item", "b.plank", 5),
      number("plugins", "item", "c.plank", 2),
    ];
    const [, , b, c] = cells({ numbers }).slice(4);
    expect([b, c].filter((cell) => cell!.endsWith("|"))).toHaveLength(1);
    expect(cells({ numbers }).slice(0, 4)).toEqual(["10||", "11||", "13||", "14||"]);
  });

  test("one of which no section is told joins the one before it, the first the first section", () => {
    const plugins = whole.plugins.map((plugin, at) =>
      at === 0 || at === 3 ? { ...plugin, section: null } : plugin,
    );
    const numbers = [number("plugins", "section", "world", 200)];
    expect(cells({ plugins, numbers }).slice(4)).toEqual(["10||", "20||", "200|200|", "205|200|", "210||"]);
    // Where a list has no sections at all, its items are counted through.
    const none = { sections: [], plugins: whole.plugins.map((plugin) => ({ ...plugin, section: null })) };
    const counted = cells(none)
      .slice(4)
      .map((cell) => Number(cell.split("|")[0]));
    expect(counted).toEqual([...counted].sort((a, b) => a - b));
    expect(new Set(counted).size).toBe(counted.length);
    expect(cells(none).every((cell) => cell.endsWith("||"))).toBe(true);
  });

  test("sections of mods are not those of plugins", () => {
    expect(whole.sections.filter(({ rank }) => rank === MODS_RANK).map(({ id }) => id)).toEqual(["mods"]);
    const numbers = [number("mods", "section", "mods", 3)];
    expect(cells({ numbers })[0]).toBe("3|3|");
    expect(cells({ numbers })[4]).toBe("10||");
  });
});

test("what lines say of tiers and weights lasts: of a tier what its last line says, in the order of the sections", () => {
  const sections = ["a", "b", "c"].map((id) => ({ id: aSection(id) }));
  const seated = [
    { id: "one", section: "b", line: { tier: 20 } },
    { id: "two", section: "b", line: { tier: 25, weight: 2 } },
    { id: "three", section: "a", line: { weight: 0 } },
    { id: "four", section: "a", line: { tier: 5 } },
    { id: "five", section: null, line: { tier: 7, weight: 9 } },
    { id: "six", section: "c", line: null },
  ];
  expect(numbersSaid("plugins", sections, seated)).toEqual([
    { list: "plugins", of: "section", id: "a", number: 5 },
    { list: "plugins", of: "section", id: "b", number: 25 },
    { list: "plugins", of: "item", id: "two", number: 2 },
    { list: "plugins", of: "item", id: "three", number: 0 },
    { list: "plugins", of: "item", id: "five", number: 9 },
  ]);
});

test.each([
  [
    { number: "31", tier: "30", weight: "1" },
    { tier: 30, weight: 1 },
  ],
  // The number was changed in the table.
  [
    { number: "35.5", tier: "30", weight: "1" },
    { tier: 30, weight: 5.5 },
  ],
  [
    { number: "30.3", tier: "30.1", weight: "1" },
    { tier: 30.1, weight: 0.2 },
  ],
  [{ number: "31", tier: "30", weight: "" }, { tier: 30 }],
  [{ number: "31", tier: "", weight: "4" }, { weight: 4 }],
  [
    { tier: "0", weight: "0" },
    { tier: 0, weight: 0 },
  ],
  [{ number: "31" }, {}],
  [{}, {}],
])("a row %j says %j of its line", (row, line) => {
  const numberIn = (cell: string) => (cell === "" ? null : Number(cell));
  expect(sheetLine(row, numberIn)).toEqual(line);
});
