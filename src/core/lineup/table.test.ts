import canonicalize from "canonicalize";
import type { Lineup } from "../model/lineup";
import { aSection } from "../testing/ids";
import { testRoster } from "../testing/roster";
import { sha256Hex } from "./fingerprint";
import { makeLineup } from "./make-lineup";
import { jsonIn, lineOfRow, rowColumns, rowsOf } from "./rows";
import { headFields, headOf, listingOfTable, saidByHead, settingsText } from "./table";
import { z } from "zod";

const roster = testRoster([{ name: "a.plank" }, { name: "b.plank", modOn: false }]);
const bare = makeLineup(roster, {
  title: "Pond",
  author: "",
  note: "",
  listVersion: "1",
  date: "2026-11-02",
});
const [a, b] = bare.mods;
const lineup: Lineup = {
  ...bare,
  mods: [
    {
      ...a!,
      options: { look: ["tall", "green"] },
      components: ["y", "x"],
      hidden: ["z.txt", "a/"],
      source: "depot/a",
      size: 7,
    },
    { ...b!, archive: null, section: aSection("nowhere") },
  ],
  expansions: ["north", "island"],
  baseOff: ["sheep", "carts"],
  launch: { draw: 4, bright: true },
};
const rows = rowsOf(lineup);
/** As a format writes them that leaves empty cells out. */
const written = rows.map((row) => Object.fromEntries(Object.entries(row).filter(([, cell]) => cell !== "")));
const head = headOf(lineup, rows);

test("a row of each mod and each plugin, with all that a table says of it", () => {
  expect(rows.map(({ list, name }) => [list, name])).toEqual([
    ["mods", "a"],
    ["mods", "b"],
    ["plugins", "Pond.keel"],
    ["plugins", "a.plank"],
    ["plugins", "b.plank"],
  ]);
  expect(rows[0]).toEqual({
    list: "mods",
    section: "Mods",
    name: "a",
    id: "a",
    version: "1.0.0",
    on: "on",
    source: "depot/a",
    size: "7",
    content: a!.content,
    sha256: a!.archive,
    parts: '{"components":["x","y"],"options":{"look":["green","tall"]}}',
    "left-out": '["a/","z.txt"]',
  });
  expect(rows[1]).toMatchObject({ on: "off", section: "", sha256: "", parts: "", "left-out": "" });
  expect(rows[2]).toEqual({
    list: "plugins",
    section: "Game",
    name: "Pond.keel",
    id: "",
    version: "",
    on: "on",
    source: "",
    size: "",
    content: "",
    sha256: bare.plugins[0]!.sha256,
    parts: "",
    "left-out": "",
  });
  expect(rows[3]).toMatchObject({ id: "a", section: "World" });
  for (const row of rows) expect(Object.keys(row)).toEqual([...rowColumns]);
  expect(
    rowsOf({ ...bare, plugins: [{ ...bare.plugins[0]!, sha256: null, on: false }] }).at(-1),
  ).toMatchObject({
    sha256: "",
    on: "off",
  });
});

test("a head says game, settings, fingerprint, and a digest of each part of the rows", () => {
  expect(Object.keys(head)).toEqual([...headFields]);
  expect(head).toMatchObject({ game: "pond", "game-version": "1.0.0", fingerprint: lineup.fingerprint });
  expect(head.settings).toBe(
    '{"baseOff":["carts","sheep"],"expansions":["island","north"],"launch":{"bright":true,"draw":4}}',
  );
  expect(settingsText(lineup)).toBe(head.settings);
  const { fingerprint: _, ...without } = lineup;
  expect(headOf(without, rows).fingerprint).toBe("");
  const digests = JSON.parse(head.digests) as Record<string, string>;
  const of = (value: unknown) => sha256Hex(canonicalize(value)!);
  // As docs/FORMATS.md says what each is made of.
  const [one, two, ...plugins] = rows.map((row) => row as Record<string, string>);
  expect(digests).toEqual({
    mods: of([one!, two!].map((row) => [row.id, row.version, row.content, row.sha256, row.on, ""])),
    plugins: of(plugins.map((row) => ["plugins", row.name, row.id, row.sha256, row.on, ""])),
    options: of([["a", one!.parts]]),
    leftOut: of([["a", one!["left-out"]]]),
    expansions: of(["island", "north"]),
    baseItems: of(["carts", "sheep"]),
    launch: of({ draw: 4, bright: true }),
    sections: of(rows.map(({ section }) => section)),
  });
});

test("read back, untouched, it says what went out, and that nothing was altered", () => {
  const listing = listingOfTable("T", head, written);
  expect(listing).toMatchObject({
    title: "T",
    game: { id: "pond", version: "1.0.0" },
    fingerprint: lineup.fingerprint,
    settings: {
      expansions: ["island", "north"],
      baseOff: ["carts", "sheep"],
      launch: { draw: 4, bright: true },
    },
  });
  expect(listing.altered).toBeUndefined();
  expect(listing.lines[0]).toEqual({
    text: "a 1.0.0",
    list: "mods",
    name: "a",
    on: true,
    id: "a",
    version: "1.0.0",
    source: "depot/a",
    section: "Mods",
    content: a!.content,
    sha256: a!.archive,
    size: 7,
    parts: { options: { look: ["green", "tall"] }, components: ["x", "y"] },
    leftOut: ["a/", "z.txt"],
  });
  // An empty cell of a table with all columns says: nothing is taken, nothing is left out.
  expect(listing.lines[1]).toMatchObject({ on: false, parts: { options: {}, components: [] }, leftOut: [] });
  expect(listing.lines).toHaveLength(rows.length);
});

test.each<[string, (change: Record<string, string>[]) => void, string[]]>([
  ["a mod's contents", ([row]) => (row!.content = "0".repeat(64)), ["mods"]],
  ["a mod switched", ([, row]) => (row!.on = "on"), ["mods"]],
  ["what a mod depends on", ([row]) => (row!["depends-on"] = "b"), ["mods"]],
  ["a mod's name, which decides nothing", ([row]) => (row!.name = "other"), []],
  ["a plugin's name", (all) => (all[3]!.name = "other.plank"), ["plugins"]],
  ["a plugin switched", (all) => (all[4]!.on = "off"), rows[4]!.on === "off" ? [] : ["plugins"]],
  ["parts", ([row]) => (row!.parts = ""), ["options"]],
  ["files left out", ([row]) => (row!["left-out"] = '["a/"]'), ["leftOut"]],
  ["a section", ([row]) => (row!.section = "Other"), ["sections"]],
  ["the order of two mods", (all) => all.unshift(all.splice(1, 1)[0]!), ["mods", "sections"]],
  ["a row less", (all) => all.pop(), ["plugins", "sections"]],
])("changed afterwards: %s", (_, change, altered) => {
  const rows = written.map((row) => ({ ...row }));
  change(rows);
  expect(listingOfTable("T", head, rows).altered ?? []).toEqual(altered);
});

test("settings changed or taken away, and digests taken away, are told", () => {
  const settings = settingsText({ ...lineup, expansions: ["north"], launch: { draw: 5 } });
  expect(listingOfTable("T", { ...head, settings }, written).altered).toEqual(["expansions", "launch"]);
  expect(listingOfTable("T", { ...head, settings: "" }, written).altered).toEqual([
    "expansions",
    "baseItems",
    "launch",
  ]);
  expect(listingOfTable("T", { ...head, digests: "" }, written).altered).toEqual(["digests"]);
  expect(listingOfTable("T", { ...head, digests: "[1]" }, written).altered).toEqual(["digests"]);
  expect(listingOfTable("T", { settings: "", digests: "" }, written).altered).toBeUndefined();
});

test("of a head that says nothing, or nothing sound, nothing is taken", () => {
  expect(saidByHead({})).toEqual({ game: null });
  expect(saidByHead({ game: " ", fingerprint: "f".repeat(63), settings: "{}" })).toEqual({ game: null });
  expect(saidByHead({ game: " pond ", fingerprint: ` ${"F".repeat(64)} `, settings: "{" })).toEqual({
    game: { id: "pond", version: "" },
    fingerprint: "f".repeat(64),
  });
  expect(saidByHead({ constructor: "x" })).toEqual({ game: null });
});

test("a table of somebody's own says of parts and files only what it has columns for", () => {
  const { lines, altered } = listingOfTable("T", {}, [{ name: "a" }, { name: "b", parts: "" }, { name: "" }]);
  expect(lines.map(({ name, parts }) => [name, parts])).toEqual([
    ["a", undefined],
    ["b", { options: {}, components: [] }],
  ]);
  expect(altered).toBeUndefined();
});

test.each<[Record<string, string>, object]>([
  [
    { name: "x", parts: '{"options":{"q":["a"]},"components":[]}' },
    { parts: { options: { q: ["a"] }, components: [] } },
  ],
  [{ name: "x", "left-out": ' ["a"] ' }, { leftOut: ["a"] }],
  [{ name: "x", "left-out": " " }, { leftOut: [] }],
  [
    { name: " x ", version: " 2 " },
    { text: "x 2", name: "x", version: "2" },
  ],
  [{ name: "x", on: " ON " }, { on: true }],
  [{ name: "x", on: "" }, { on: false }],
  [{ name: "x", on: "0" }, { on: false }],
  [{ name: "x", on: "false" }, { on: false }],
  [{ name: "x", on: "-" }, { on: false }],
  [{ name: "x", size: "0" }, { size: 0 }],
  [{ name: "x", list: " Mods " }, { list: "mods" }],
  [
    { name: "x", source: "s", section: "t" },
    { source: "s", section: "t" },
  ],
])("the row %j says %j", (row, said) => expect(lineOfRow(row)).toMatchObject(said));

test.each<[Record<string, string>, string]>([
  [{ name: "x", parts: "{" }, "parts"],
  [{ name: "x", parts: '{"options":[]}' }, "parts"],
  [{ name: "x", "left-out": "[1]" }, "leftOut"],
  [{ name: "x", size: "-1" }, "size"],
  [{ name: "x", size: "1.5" }, "size"],
  [{ name: "x", size: "much" }, "size"],
  [{ name: "x", id: " " }, "id"],
  [{ name: "x", content: "g".repeat(64) }, "content"],
  [{ name: "x", sha256: "a".repeat(65) }, "sha256"],
])("the row %j does not say %s", (row, field) => expect(lineOfRow(row)).not.toHaveProperty(field));

test("what is no JSON, or another one than is asked for, says nothing", () => {
  expect(jsonIn(z.number(), "3")).toBe(3);
  expect(jsonIn(z.number(), '"3"')).toBeUndefined();
  expect(jsonIn(z.number(), "")).toBeUndefined();
});
