import { keepSame } from "./keep-same";

const before = { mods: [{ id: "a" }], rules: [{ id: "r" }], name: "Long" };
type Value = { mods: { id: string }[]; rules?: { id: string }[]; name: string; note?: string };

test("what is equal stays the very object; what is not is the new one", () => {
  const after = { mods: [{ id: "a" }], rules: [{ id: "s" }], name: "Long" };
  const kept = keepSame(before, after);
  expect(kept).toEqual(after);
  expect([kept.mods === before.mods, kept.rules === after.rules]).toEqual([true, true]);
});

test("where everything is equal the whole is what it was", () => {
  expect(keepSame(before, structuredClone(before))).toBe(before);
});

test("a part that comes or goes is seen", () => {
  const { rules: _, ...less } = before;
  expect(keepSame<Value>(before, less)).toEqual(less);
  expect(keepSame<Value>(less, before)).toEqual(before);
  expect(keepSame<Value>(before, { ...less, note: "n" })).toEqual({ ...less, note: "n" });
});
