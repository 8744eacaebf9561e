import { shelfMod } from "@/core/testing/roster";
import { growthOf, sizesByTag } from "./shelf-sums";

const mod = (id: string, size: number, tags: string[], added?: string) => ({
  ...shelfMod(id),
  size,
  tags,
  ...(added === undefined ? {} : { added }),
});

test("a mod counts once, under the first of its tags; the largest first", () => {
  expect(sizesByTag([mod("a", 5, ["water", "light"]), mod("b", 9, []), mod("c", 6, ["water"])])).toEqual([
    { tag: "water", bytes: 11, mods: 2 },
    { tag: "no tag", bytes: 9, mods: 1 },
  ]);
});

test("what was added is told by day, and by month where the days are many", () => {
  const few = [
    mod("a", 1, [], "2026-11-02T09:00:00Z"),
    mod("b", 1, [], "2026-10-01T09:00:00Z"),
    mod("c", 1, []),
  ];
  expect(growthOf([...few, mod("d", 1, [], "2026-11-02T19:00:00Z")])).toEqual([
    { when: "2026-10-01", added: 1, total: 1 },
    { when: "2026-11-02", added: 2, total: 3 },
  ]);
  const days = Array.from({ length: 40 }, (_, at) =>
    mod(`m${at}`, 1, [], new Date(Date.UTC(2026, 0, 1 + at)).toISOString()),
  );
  expect(growthOf(days)).toEqual([
    { when: "2026-01", added: 31, total: 31 },
    { when: "2026-02", added: 9, total: 40 },
  ]);
});
