import { createHash } from "node:crypto";
import type { Lineup } from "../model/lineup";
import { aMod, aPlugin, aRule, aSection } from "../testing/ids";
import { hex, testRoster } from "../testing/roster";
import { alteredIn, digestsOf } from "./digests";
import { factsOfLineup, fingerprintOf } from "./fingerprint";
import { makeLineup } from "./make-lineup";

const facts = { title: "Pond", author: "reed", note: "", listVersion: "1", date: "2026-11-02" };
const plain = makeLineup(testRoster([{ name: "a.plank" }, { name: "b.plank", on: false }]), facts);
const [first, second] = plain.mods;
const rule = {
  id: aRule("r"),
  rule: { kind: "after", item: aPlugin("a.plank"), other: aPlugin("b.plank"), strength: "prefer" },
  note: "why",
  made: "2026-11-01",
} as const;

/** Something of everything, written against every order that means nothing. */
const full: Lineup = {
  ...plain,
  mods: [
    {
      ...first!,
      options: { look: ["tall", "blue"] },
      components: ["z", "y"],
      hidden: ["textures/", "a.txt"],
      home: aSection("patches"),
      role: "helper",
      terms: { kind: "paid", where: "there" } as never,
      requires: ["b"],
      note: "words",
    },
    { ...second!, options: {}, components: ["x"] },
  ],
  rules: [rule],
  books: [{ id: "tides", version: "2", off: ["n2", "n1"] }],
  broaderFirst: false,
  expansions: ["z-city", "a-city"],
  baseOff: ["lamps", "bells"],
  launch: { windowed: true, draw: 3 },
  followUps: ["run it once"],
};

/** Canonical JSON by another way: keys sorted at every depth, no blanks (RFC 8785, for values without odd numbers). */
const canonical = (value: unknown): string =>
  Array.isArray(value)
    ? `[${value.map(canonical).join(",")}]`
    : typeof value === "object" && value !== null
      ? `{${Object.entries(value)
          .filter(([, each]) => each !== undefined)
          .sort(([a], [b]) => (a < b ? -1 : 1))
          .map(([key, each]) => `${JSON.stringify(key)}:${canonical(each)}`)
          .join(",")}}`
      : JSON.stringify(value);
const digest = (value: unknown): string => createHash("sha256").update(canonical(value)).digest("hex");

test("each digest is of what docs/FORMATS.md says, and of nothing besides", () => {
  const { sections, plugins, mods } = full;
  const core = ({ id, version, content, archive, on }: (typeof mods)[number]) => ({
    id,
    version,
    content,
    archive,
    on,
  });
  expect(digestsOf(full)).toEqual({
    mods: digest({
      mods: [
        { ...core(mods[0]!), role: "helper", terms: { kind: "paid", where: "there" }, requires: ["b"] },
        { ...core(mods[1]!), role: null, terms: null, requires: [] },
      ],
      followUps: ["run it once"],
    }),
    plugins: digest(
      plugins.map(({ name, sha256, mod, on, masters }) => ({
        name,
        sha256,
        mod,
        on,
        masters: masters ?? [],
      })),
    ),
    options: digest({
      a: { components: ["y", "z"], options: { look: ["blue", "tall"] } },
      b: { components: ["x"], options: {} },
    }),
    leftOut: digest({ a: ["a.txt", "textures/"] }),
    expansions: digest(["a-city", "z-city"]),
    baseItems: digest(["bells", "lamps"]),
    launch: digest({ draw: 3, windowed: true }),
    sections: digest({
      sections: sections.map(({ guidance: _, ...section }) => section),
      mods: [
        [mods[0]!.section, "patches"],
        [mods[1]!.section, null],
      ],
      plugins: plugins.map(({ section, home }) => [section, home ?? null]),
    }),
    rules: digest({
      rules: [{ id: "r", rule: rule.rule }],
      books: [{ id: "tides", version: "2", off: ["n1", "n2"] }],
      broaderFirst: false,
    }),
  });
});

test("what a list leaves unsaid counts as what it stands for", () => {
  const { books: _b, broaderFirst: _f, ...silent } = full;
  expect(digestsOf(silent).rules).toBe(digestsOf({ ...full, books: [], broaderFirst: true }).rules);
  const optionsOnly = { ...full, mods: [{ ...full.mods[0]!, components: [] }, full.mods[1]!] };
  expect(digestsOf(optionsOnly).options).not.toBe(digestsOf(full).options);
  const none = {
    ...full,
    mods: full.mods.map((mod) => ({ ...mod, options: {}, components: [], hidden: [] })),
  };
  expect([digestsOf(none).options, digestsOf(none).leftOut]).toEqual([digest({}), digest({})]);
});

describe("where a list was altered", () => {
  const sealed = (lineup: Lineup): Lineup => ({
    ...lineup,
    digests: digestsOf(lineup),
    fingerprint: fingerprintOf(factsOfLineup(lineup)),
  });

  test("nothing of one that is as it went out", () => expect(alteredIn(sealed(full))).toEqual([]));

  test("each place alone, and several", () => {
    const list = sealed(full);
    expect(alteredIn({ ...list, launch: {} })).toEqual(["launch"]);
    expect(alteredIn({ ...list, rules: [] })).toEqual(["rules"]);
    expect(alteredIn({ ...list, baseOff: [], expansions: [] })).toEqual(["expansions", "baseItems"]);
  });

  test("the fingerprint, where all else agrees", () => {
    const list = sealed(full);
    expect(alteredIn({ ...list, fingerprint: hex("z") })).toEqual(["fingerprint"]);
    expect(alteredIn({ ...list, fingerprint: hex("z"), launch: {} })).toEqual(["launch"]);
    const { fingerprint: _, ...unproved } = list;
    expect(alteredIn(unproved)).toEqual([]);
  });

  test("one without digests, unless it is of the format that had none", () => {
    const { digests: _, ...list } = sealed(full);
    expect(alteredIn(list)).toEqual(["digests"]);
    expect(alteredIn({ ...list, format: "seating-lineup/1" })).toEqual([]);
    expect(alteredIn({ ...list, format: "seating-lineup/1", fingerprint: hex("z") })).toEqual([
      "fingerprint",
    ]);
  });
});

test("a mod of another name is another mod to a digest", () => {
  const renamed = { ...full, mods: [{ ...full.mods[0]!, id: aMod("c") }, full.mods[1]!] };
  expect(digestsOf(renamed).mods).not.toBe(digestsOf(full).mods);
});
