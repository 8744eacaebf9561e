import { readFileSync } from "node:fs";
import { join } from "node:path";
import { z } from "zod";
import { FirstRulebook, Rulebook } from "@/core/model/rulebook";
import { testGame } from "@/core/testing/game";
import { readRulebook, writeRulebook } from "./rulebook-file";

const book: Rulebook = {
  format: "seating-rulebook/2",
  id: "soundings",
  game: "pond",
  name: "Soundings",
  version: "1.0",
  changelog: [],
  sections: [],
  rules: [
    { id: "one", rule: { kind: "last", item: "a.plank", within: "section", strength: "must" }, note: "ů" },
  ],
  advice: [
    {
      kind: "outdated",
      on: { plugin: "a.plank" },
      other: { mod: "reeds" },
      source: "a page",
      date: "2026-11",
    },
    {
      kind: "clashes",
      on: { mod: "reeds", part: "fog" },
      other: { plugin: "b.plank" },
      text: "both draw it",
    },
    { kind: "marks", on: { plugin: "b.plank" }, marks: ["adds", "removes"] },
  ],
};
const bytes = (value: unknown) =>
  new TextEncoder().encode(typeof value === "string" ? value : JSON.stringify(value));
const read = (value: unknown) => readRulebook(bytes(value), "book.json", testGame);
const code = (value: unknown) => {
  const outcome = read(value);
  return outcome.ok
    ? "ok"
    : [outcome.refusal.code, "path" in outcome.refusal.data && outcome.refusal.data.path]
        .filter(Boolean)
        .join(" ");
};

test("a rulebook is read back as it was written", () => {
  expect(read(writeRulebook(book))).toEqual({ ok: true, value: book });
});

test("what is not sound is refused with its place", () => {
  expect(code("{")).toBe("not-json");
  expect(code("[]")).toBe("not-a-rulebook");
  expect(code({ ...book, format: "seating-lineup/1" })).toBe("not-a-rulebook");
  expect(code({ ...book, game: "other" })).toBe("rulebook-game");
  expect(code({ ...book, rules: [{ ...book.rules[0], note: 3 }] })).toBe("rulebook-broken rules.0.note");
  expect(code({ ...book, rules: [book.rules[0], book.rules[0]] })).toBe("rulebook-broken rules");
  expect(code({ ...book, sections: [{ id: "x", name: "X", rank: "none", guidance: "" }] })).toBe(
    "rulebook-broken sections",
  );
  expect(code({ ...book, advice: [{ kind: "leftover", on: { plugin: "a" }, count: 0 }] })).toBe(
    "rulebook-broken advice.0.count",
  );
  expect(code({ ...book, more: 1 })).toBe("rulebook-broken the top");
  expect(read(Uint8Array.of(0xff, 0xfe, 0x00))).toMatchObject({ ok: false });
});

test("a rulebook of the first version is read: what it says of plugins is advice", () => {
  const about = { plugin: "a.plank", sha256: "b".repeat(64), text: "it rusts" };
  const first = {
    ...book,
    format: "seating-rulebook/1",
    advice: [
      { kind: "known-bad", ...about },
      { kind: "outdated", plugin: "a.plank", replacement: "b.plank" },
      { kind: "leftover", plugin: "a.plank", count: 3 },
      { kind: "requires", plugin: "a.plank", other: "b.plank" },
      { kind: "blend", plugin: "a.plank" },
      { kind: "note", plugin: "a.plank", text: "turn it down" },
    ],
  };
  const on = { plugin: "a.plank" };
  expect(read(first)).toEqual({
    ok: true,
    value: {
      ...book,
      advice: [
        { kind: "known-bad", on: { ...on, sha256: "b".repeat(64) }, text: "it rusts" },
        { kind: "outdated", on, other: { plugin: "b.plank" } },
        { kind: "leftover", on, count: 3 },
        { kind: "needs", on, other: { plugin: "b.plank" } },
        { kind: "note", on, text: "Its lists want to be blended." },
        { kind: "note", on, text: "turn it down" },
      ],
    },
  });
  expect(code({ ...first, advice: [{ kind: "requires", plugin: "a.plank" }] })).toBe(
    "rulebook-broken advice.0.other",
  );
  expect(code({ ...first, advice: book.advice })).toBe("rulebook-broken advice.0.plugin");
});

test("a rulebook speaks of mods too, in any game", () => {
  const ofMods = {
    ...book,
    rules: [
      { id: "m", rule: { kind: "after", item: "a", other: "b", strength: "must" }, note: "", list: "mods" },
    ],
    sections: [{ id: "m", name: "Mods", rank: "mods", guidance: "" }],
  };
  expect(code(ofMods)).toBe("ok");
});

test.each([
  ["seating-rulebook-1", FirstRulebook],
  ["seating-rulebook-2", Rulebook],
])("the schema %s in docs/ is that of the code", (name, schema) => {
  const file = join(process.cwd(), "docs/schemas", `${name}.schema.json`);
  expect(JSON.parse(readFileSync(file, "utf8"))).toEqual(z.toJSONSchema(schema));
});
