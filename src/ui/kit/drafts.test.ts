import { z } from "zod";
import { keepDraft, readDraft } from "./drafts";

function storage(): Pick<Storage, "getItem" | "setItem" | "removeItem"> & {
  readonly items: Map<string, string>;
} {
  const items = new Map<string, string>();
  return {
    items,
    getItem: (name) => items.get(name) ?? null,
    setItem: (name, value) => {
      if (value.length > 1000) throw new Error("no room");
      items.set(name, value);
    },
    removeItem: (name) => void items.delete(name),
  };
}

const Note = z.object({ text: z.string() });

test("a draft is kept until it is taken away, each under its own name", () => {
  const at = storage();
  keepDraft(at, "a", { text: "one" });
  keepDraft(at, "b", { text: "two" });
  expect([readDraft(at, "a", Note), readDraft(at, "b", Note)]).toEqual([{ text: "one" }, { text: "two" }]);
  keepDraft(at, "a", null);
  expect([readDraft(at, "a", Note), at.items.size]).toEqual([null, 1]);
});

test("what no form of today could show is no draft, and what finds no room leaves the one before", () => {
  const at = storage();
  keepDraft(at, "a", { text: "one" });
  keepDraft(at, "a", { text: "x".repeat(2000) });
  expect(readDraft(at, "a", Note)).toEqual({ text: "one" });
  expect(readDraft(at, "a", z.object({ other: z.number() }))).toBeNull();
  at.items.forEach((_, name) => at.items.set(name, "{"));
  expect(readDraft(at, "a", Note)).toBeNull();
});
