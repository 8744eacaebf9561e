import { usageKey } from "../workspace/usage-key";
import fc from "fast-check";
import type { Finding } from "@/core/model/finding";
import { makeRoster } from "@/core/roster/roster";
import { pluginFile, shelfMod, testRoster } from "@/core/testing/roster";
import { testTable } from "../kit/grid/testing/table";
import { columnsFor } from "./shelf-columns";
import { filterFromQuery, filterToQuery, narrowShelf, noShelfFilter, type ShelfFilter } from "./shelf-filter";
import { facets, shelfRows } from "./shelf-rows";
import { searchTexts } from "../kit/search-texts";

const base = testRoster([{ name: "a.plank" }, { name: "b.plank", modOn: false }, { name: "gone.plank" }]);
const manifest = {
  format: "seating-mod/1" as const,
  id: "spare",
  name: "spare",
  version: "2.0.0",
  page: "depot:spare",
  gameVersions: ">=1.0",
};
const shelf = [
  ...base.stock.shelf.filter((mod) => mod.id !== "gone"),
  {
    ...shelfMod("spare", [pluginFile("s.plank"), pluginFile("t.plank")], "2.0.0"),
    size: 900_000,
    tags: ["water", "fog"],
    manifest,
    added: "2026-11-02T10:00:00Z",
  },
  { ...shelfMod("a", [], "0.9.0"), size: 5, tags: ["fog"] },
  { ...shelfMod("wreck"), problem: { code: "path-unsafe" as const, data: { entry: "../x" } } },
];
const roster = makeRoster(base.game, base.profile, { ...base.stock, shelf });
const finding = (level: Finding["level"], list: "mods" | "plugins", id: string): Finding => ({
  check: "not-on-shelf",
  id: "not-on-shelf",
  data: { mod: id },
  level,
  subjects: [{ list, id }],
  fixes: [],
});
const rows = shelfRows(
  roster,
  new Map([[usageKey("spare", shelf.find(({ id }) => id === "spare")!.content), ["Harbour Lights"]]]),
  [finding("hint", "mods", "a"), finding("blocker", "plugins", "a.plank")],
);
const filtered = (part: Partial<ShelfFilter>) => narrowShelf(rows, { ...noShelfFilter, ...part });
const shown = (part: Partial<ShelfFilter>) => filtered(part).shown.map(({ key }) => key);

test("every row has a state of its own, and the worst of what is found about it", () => {
  expect(rows.map((row) => [row.key, row.state, row.level])).toEqual([
    ["a-1.0.0.zip", "on", "blocker"],
    ["a-0.9.0.zip", "superseded", null],
    ["b-1.0.0.zip", "off", null],
    ["missing gone", "missing", null],
    ["spare-2.0.0.zip", "elsewhere", null],
    ["wreck-1.0.0.zip", "unsound", null],
  ]);
  expect(rows[0]!.findings).toBe(2);
});

test("all parts of a filter have to let a row through", () => {
  expect(shown({})).toHaveLength(6);
  expect(shown({ facets: { state: "elsewhere", use: "used" } })).toEqual(["spare-2.0.0.zip"]);
  expect(shown({ facets: { state: "elsewhere", use: "unused" } })).toEqual([]);
  // An older version that no profile holds is used by nobody.
  expect(shown({ facets: { use: "unused" } })).toEqual(["a-0.9.0.zip", "wreck-1.0.0.zip"]);
  expect(shown({ facets: { source: "depot" } })).toEqual(["spare-2.0.0.zip"]);
  expect(shown({ facets: { game: "fits" } })).toEqual(["spare-2.0.0.zip"]);
  expect(shown({ facets: { level: "blocker" } })).toEqual(["a-1.0.0.zip"]);
  expect(shown({ facets: { section: rows[0]!.values.section[0]! } })).toContain("a-1.0.0.zip");
});

test("tags combine as all or any of them", () => {
  expect(shown({ tags: ["fog"] })).toEqual(["a-0.9.0.zip", "spare-2.0.0.zip"]);
  expect(shown({ tags: ["fog", "water"] })).toEqual(["spare-2.0.0.zip"]);
  expect(shown({ tags: ["fog", "water"], anyTag: true })).toHaveLength(2);
});

test("sizes and days lie within both ends of a range, and what has no day lies in none", () => {
  expect(shown({ ranges: { size: { from: "900", to: "900" } } })).toEqual(["spare-2.0.0.zip"]);
  expect(shown({ ranges: { size: { from: "901", to: "" } } })).toEqual([]);
  expect(shown({ ranges: { added: { from: "2026-11-02", to: "2026-11-02" } } })).toEqual(["spare-2.0.0.zip"]);
  expect(shown({ ranges: { added: { from: "2026-11-03", to: "" } } })).toEqual([]);
});

test("the count of a value is what choosing it shows, with the other parts as they are", () => {
  for (const start of [noShelfFilter, { ...noShelfFilter, tags: ["fog"] }, { ...noShelfFilter, text: "a" }]) {
    const { counts } = narrowShelf(rows, start);
    for (const facet of facets)
      for (const [value, count] of counts[facet])
        expect(narrowShelf(rows, { ...start, facets: { [facet]: value } }).shown).toHaveLength(count);
    for (const [tag, count] of counts.tag)
      expect(narrowShelf(rows, { ...start, tags: [...start.tags, tag] }).shown.length).toBe(count);
  }
});

test("a filter read back from the address is the same", () => {
  const word = fc.string({ minLength: 1, maxLength: 12 });
  const day = fc.constantFrom("", "2026-01-05", "2026-11-30");
  const filter = fc.record({
    text: fc.string({ maxLength: 20 }),
    facets: fc.dictionary(fc.constantFrom(...facets), word, { noNullPrototype: true }),
    tags: fc.array(word, { minLength: 1, maxLength: 3 }),
    anyTag: fc.boolean(),
    ranges: fc.record({ added: fc.record({ from: fc.constant("2026-01-01"), to: day }) }),
  });
  fc.assert(
    fc.property(filter, (each) => {
      const text = filterToQuery(each).toString();
      expect(filterFromQuery(new URLSearchParams(text))).toEqual(each);
    }),
  );
  expect(filterToQuery(noShelfFilter).size).toBe(0);
});

describe("a search", () => {
  const texts = [
    "Glass Tides",
    "Glass Tides - Reefs",
    "Lamplight Rework",
    "Überfahrt",
    "Winterglass Harbour",
  ];
  const found = (words: string) => searchTexts(texts, words)?.map((at) => texts[at]);

  test("finds words in any order, within words, in every script; nothing typed narrows nothing", () => {
    expect(found("tides glass")).toEqual(expect.arrayContaining(["Glass Tides", "Glass Tides - Reefs"]));
    expect(found("überfahrt")).toEqual(["Überfahrt"]);
    expect(found("  ")).toBeUndefined();
    expect(found("kettle")).toEqual([]);
  });

  test.each([
    ["glas tides", "a letter too few"],
    ["glasss tides", "a letter too many"],
    ["glaas tides", "another letter"],
    ["galss tides", "two turned round"],
  ])("forgives a slip: %s has %s", (words) => {
    expect(found(words)).toContain("Glass Tides");
  });

  test("puts the best first: words that begin where a word does", () => {
    expect(found("glass")![0]).toBe("Glass Tides");
    expect(found("glass")!.at(-1)).toBe("Winterglass Harbour");
  });
});

test("sorted by any column, either way, equal ones by name; an unknown column changes nothing", () => {
  const shelfColumns = columnsFor(roster.game);
  const keys = (sort: string) => testTable(rows, shelfColumns, [], sort).rows.map(({ key }) => key);
  expect(keys("-size")[0]).toBe("spare-2.0.0.zip");
  expect(keys("size").at(-1)).toBe("spare-2.0.0.zip");
  expect(keys("-plugins").slice(0, 3)).toEqual(["spare-2.0.0.zip", "a-1.0.0.zip", "b-1.0.0.zip"]);
  expect(keys("nonsense")).toEqual(rows.map(({ key }) => key));
  for (const { id } of shelfColumns) expect(keys(`-${id}`).sort()).toEqual(keys(id).sort());
});

test("the places that a mod takes are told by class, and sort the dearest ones together", () => {
  const { game } = roster;
  const dear = { id: "full", label: "Full", cap: 240, extensions: [".plank"] };
  const cheap = { id: "light", label: "Light", cap: 2000, extensions: [".skiff"] };
  const columns = columnsFor({ ...game, counting: [cheap, dear] as typeof game.counting });
  const places = columns.find(({ id }) => id === "places")!;
  const of = (...names: string[]) => ({
    ...rows[0]!,
    key: names.join(),
    mod: shelfMod(
      "x",
      names.map((name) => pluginFile(name)),
    ),
  });
  const [one, many, both, none] = [
    of("a.plank"),
    of("a.skiff", "b.skiff", "c.skiff"),
    of("a.plank", "b.skiff"),
    of(),
  ];
  expect([one, many, both, none].map((row) => places.text(row))).toEqual([
    "1 full",
    "3 light",
    "1 full, 1 light",
    "",
  ]);
  const sorted = testTable([one, many, both, none], columns, [], "-places").rows.map(({ key }) => key);
  expect(sorted).toEqual(["a.plank,b.skiff", "a.plank", "a.skiff,b.skiff,c.skiff", ""]);
  expect(columnsFor({ ...game, counting: [] }).some(({ id }) => id === "places")).toBe(false);
});

test("whether awards stay possible is said where the mod says it", () => {
  const awards = columnsFor(roster.game).find(({ id }) => id === "awards")!;
  const of = (said?: boolean) => ({
    ...rows[0]!,
    mod: { ...shelfMod("x"), manifest: { ...manifest, ...(said !== undefined && { awards: said }) } },
  });
  expect([of(), of(true), of(false)].map((row) => awards.text(row))).toEqual([
    "",
    "stay possible",
    "switched off",
  ]);
});
