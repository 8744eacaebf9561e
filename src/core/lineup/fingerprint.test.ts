import canonicalize from "canonicalize";
import { hex, testRoster } from "../testing/roster";
import { contentHash } from "./content-hash";
import { makeRoster } from "../roster/roster";
import { makeLineup } from "./make-lineup";
import {
  factsHere,
  factsOfLineup,
  factsOfRoster,
  fingerprintOf,
  sha256Hex,
  shortFingerprint,
  type FingerprintFacts,
} from "./fingerprint";
import { aMod, aPlugin } from "../testing/ids";

describe("SHA-256 against NIST's examples with intermediate values for FIPS 180-4", () => {
  test.each([
    ["abc", "ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad"],
    [
      "abcdbcdecdefdefgefghfghighijhijkijkljklmklmnlmnomnopnopq",
      "248d6a61d20638b8e5c026930c3e6039a33ce45964ff2167f6ecedd419db06c1",
    ],
  ])("%s", (message, digest) => {
    expect(sha256Hex(message)).toBe(digest);
  });
});

describe("canonical JSON against the examples of RFC 8785", () => {
  test("section 3.2.2: primitive values", () => {
    const text = String.raw`{"numbers":[333333333.33333329,1E30,4.50,2e-3,0.000000000000000000000000001],"string":"\u20ac$\u000F\u000aA'\u0042\u0022\u005c\\\"\/","literals":[null,true,false]}`;
    expect(canonicalize(JSON.parse(text))).toBe(
      String.raw`{"literals":[null,true,false],"numbers":[333333333.3333333,1e+30,4.5,0.002,1e-27],"string":"€$\u000f\nA'B\"\\\\\"/"}`,
    );
  });

  test("section 3.2.3: keys sort by UTF-16 code units", () => {
    const keys = {
      "\u20ac": "Euro Sign",
      "\r": "Carriage Return",
      "\ufb33": "Hebrew Letter Dalet With Dagesh",
      "1": "One",
      "\ud83d\ude00": "Emoji: Grinning Face",
      "\u0080": "Control",
      "\u00f6": "Latin Small Letter O With Diaeresis",
    };
    const sorted = JSON.parse(canonicalize(Object.entries(keys).sort(([a], [b]) => (a < b ? -1 : 1)))!) as [
      string,
      string,
    ][];
    expect(sorted.map(([, value]) => value)).toEqual([
      "Carriage Return",
      "One",
      "Control",
      "Latin Small Letter O With Diaeresis",
      "Euro Sign",
      "Emoji: Grinning Face",
      "Hebrew Letter Dalet With Dagesh",
    ]);
    const inObject = [...canonicalize(keys)!.matchAll(/:"([^"]+)"/g)].map((match) => match[1]);
    expect(inObject).toEqual(sorted.map(([, value]) => value));
  });
});

/** The worked example of docs/FORMATS.md. */
const example: FingerprintFacts = {
  game: { id: "pond", version: "1.0.0" },
  expansions: ["island"],
  baseOff: [],
  mods: [
    {
      id: aMod("reeds"),
      version: "1.2.0",
      content: "a".repeat(64),
      options: { look: ["tall", "green"] },
      components: [],
      hidden: [],
    },
  ],
  plugins: [
    { name: aPlugin("Pond.keel"), sha256: "b".repeat(64) },
    { name: aPlugin("Reeds.plank"), sha256: "c".repeat(64) },
  ],
  launch: {},
  settings: [],
};

test("the worked example has the canonical text and hash that docs/FORMATS.md states", async () => {
  const { readFile } = await import("node:fs/promises");
  const text = await readFile("docs/FORMATS.md", "utf8");
  const canonical = /```text\n(\{"baseOff.*)\n```/.exec(text)![1]!;
  expect(sha256Hex(canonical)).toBe(fingerprintOf(example));
  expect(text).toContain(fingerprintOf(example));
  expect(shortFingerprint(fingerprintOf(example))).toMatch(/^[0-9a-f]{4} [0-9a-f]{4} [0-9a-f]{4}$/);
});

test("order of options, components and expansions does not count; order of mods and plugins does", () => {
  const same = { ...example, mods: [{ ...example.mods[0]!, options: { look: ["green", "tall"] } }] };
  expect(fingerprintOf(same)).toBe(fingerprintOf(example));
  expect(fingerprintOf({ ...example, plugins: [...example.plugins].reverse() })).not.toBe(
    fingerprintOf(example),
  );
});

test("names, sections, notes and what is off do not count", () => {
  const facts = (on: boolean, section: string) =>
    factsOfRoster(
      testRoster([
        { name: "a.plank", section },
        { name: "b.plank", section: "patches", on, modOn: on },
      ]),
    );
  expect(fingerprintOf(facts(false, "world"))).toBe(
    fingerprintOf(factsOfRoster(testRoster([{ name: "a.plank" }]))),
  );
  expect(fingerprintOf(facts(true, "patches"))).toBe(fingerprintOf(facts(true, "world")));
  expect(fingerprintOf(facts(true, "world"))).not.toBe(fingerprintOf(facts(false, "world")));
});

test("what is decided counts, be its contents here or gone; what is here is told apart", () => {
  const all = testRoster(["a.plank", "b.plank", "c.plank"].map((name) => ({ name, on: name !== "c.plank" })));
  const gone = (ids: string[], roster = all) =>
    makeRoster(roster.game, roster.profile, {
      ...roster.stock,
      shelf: roster.stock.shelf.filter(({ id }) => !ids.includes(id)),
      kept: roster.stock.shelf.filter(({ id }) => ids.includes(id)),
    });
  const namesOf = ({ plugins }: FingerprintFacts) => plugins.map(({ name }) => name);
  const without = gone(["a", "c"]);
  expect(fingerprintOf(factsOfRoster(without))).toBe(fingerprintOf(factsOfRoster(all)));
  // The plugin of c is off: gone or not, it does not count.
  expect(namesOf(factsOfRoster(without))).toEqual(["Pond.keel", "a.plank", "b.plank"]);
  expect(namesOf(factsHere(without))).toEqual(["Pond.keel", "b.plank"]);
  expect(factsHere(without).mods.map(({ id }) => id)).toEqual(["b"]);
  const off = testRoster([{ name: "a.plank", modOn: false }, { name: "b.plank" }]);
  expect(namesOf(factsOfRoster(gone(["a"], off)))).toEqual(["Pond.keel", "b.plank"]);
  expect(namesOf(factsOfRoster(off))).toEqual(["Pond.keel", "b.plank"]);
});

test("of a lineup those plugins count that load and have a hash", () => {
  const roster = testRoster([
    { name: "a.plank" },
    { name: "b.plank", on: false },
    { name: "c.plank", modOn: false },
  ]);
  const lineup = makeLineup(roster, {
    title: "x",
    author: "",
    note: "",
    listVersion: "1",
    date: "2026-11-01",
  });
  const names = (plugins: typeof lineup.plugins) =>
    factsOfLineup({ ...lineup, plugins }).plugins.map(({ name }) => name);
  expect(names(lineup.plugins)).toEqual(["Pond.keel", "a.plank"]);
  expect(
    names(lineup.plugins.map((each) => ({ ...each, sha256: each.name === "a.plank" ? null : each.sha256 }))),
  ).toEqual(["Pond.keel"]);
  expect(fingerprintOf(factsOfLineup(lineup))).toBe(fingerprintOf(factsOfRoster(roster)));
});

test("a content hash does not depend on the order of the files, and does on every path and hash", () => {
  const files = [
    { path: "b.txt", sha256: hex("1") },
    { path: "é/a.txt", sha256: hex("2") },
    { path: "a/c.txt", sha256: hex("3") },
  ];
  const lines = `${hex("3")} a/c.txt\n${hex("1")} b.txt\n${hex("2")} é/a.txt\n`;
  expect(contentHash(files)).toBe(sha256Hex(lines));
  expect(contentHash([...files].reverse())).toBe(contentHash(files));
  expect(contentHash([{ ...files[0]!, path: "B.txt" }, ...files.slice(1)])).not.toBe(contentHash(files));
});
