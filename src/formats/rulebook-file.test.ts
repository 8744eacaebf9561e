import { readFileSync } from "node:fs";
import { join } from "node:path";
import { z } from "zod";
import { Rulebook } from "@/core/model/rulebook";
import { testGame } from "@/core/testing/game";
import { readRulebook, writeRulebook } from "./rulebook-file";

const book: Rulebook = {
  format: "seating-rulebook/1",
  id: "soundings",
  game: "pond",
  name: "Soundings",
  version: "1.0",
  changelog: [],
  sections: [],
  rules: [
    { id: "one", rule: { kind: "last", item: "a.plank", within: "section", strength: "must" }, note: "ů" },
  ],
  advice: [{ kind: "outdated", plugin: "a.plank", replacement: "b.plank" }],
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
  expect(code({ ...book, advice: [{ kind: "leftover", plugin: "a", count: 0 }] })).toBe(
    "rulebook-broken advice.0.count",
  );
  expect(code({ ...book, more: 1 })).toBe("rulebook-broken the top");
  expect(read(Uint8Array.of(0xff, 0xfe, 0x00))).toMatchObject({ ok: false });
});

test("the schema in docs/ is that of the code", () => {
  const published = JSON.parse(
    readFileSync(join(process.cwd(), "docs/schemas/seating-rulebook-1.schema.json"), "utf8"),
  ) as unknown;
  expect(published).toEqual(z.toJSONSchema(Rulebook));
});
