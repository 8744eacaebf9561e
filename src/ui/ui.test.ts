import fc from "fast-check";
import { freeGaps, placeEdit } from "@/core/edit/place";
import { indexTies } from "@/core/roster/ties";
import { testRoster } from "@/core/testing/roster";
import { contrast, sectionHue } from "./kit/hues";
import { findSlots, ownPlace, planRows, slotAtHeight, type PlanLook } from "./plan/plan-rows";
import { formatSize } from "./kit/format-size";
import { progressWords } from "./shelf/shelf-reading";
import { shelfRows } from "./shelf/shelf-rows";
import { progressAt } from "./workspace/use-shelf-reading";

const roster = testRoster([
  { name: "Core.keel" },
  { name: "a.plank" },
  { name: "b.plank", masters: ["a.plank"] },
  { name: "p.plank", section: "patches" },
]);

describe("the rows of the plan", () => {
  const list = roster.lists.plugins;
  const plain: PlanLook = {
    shown: null,
    collapsed: new Set(),
    sorted: null,
    gatherOff: false,
    compact: false,
    textScale: 1,
  };
  const rows = planRows(list, plain);

  const moving = (id: string) => [roster.pluginOf.get(id)!];
  const keys = (look: Partial<PlanLook>) => planRows(list, { ...plain, ...look }).rows.map((row) => row.key);

  test("are a band for every section and what stands in it, each where the last one ends", () => {
    expect(rows.rows.map((row) => row.key)).toEqual([
      "section game",
      "Pond.keel",
      "section base",
      "Core.keel",
      "section world",
      "a.plank",
      "b.plank",
      "section patches",
      "p.plank",
    ]);
    expect(rows.tops.at(-1)).toBe(4 * 30 + 5 * 32);
    expect(planRows(list, { ...plain, textScale: 1.5 }).tops.at(-1)).toBe(4 * 45 + 5 * 48);
    expect(keys({ shown: new Set(["b.plank"]) })).toEqual(["section world", "b.plank"]);
    expect(keys({ collapsed: new Set(["world"]) })).toEqual(
      rows.rows.map((row) => row.key).filter((key) => !/^[ab]\./.test(key)),
    );
    const backwards = [...list.items].reverse();
    expect(keys({ sorted: backwards })).toEqual(backwards.map(({ id }) => id));
    expect(keys({ sorted: backwards, shown: new Set(["a.plank", "b.plank"]) })).toEqual([
      "b.plank",
      "a.plank",
    ]);
    expect(planRows(list, { ...plain, sorted: backwards }).isRealOrder).toBe(false);
  });

  test("what is off is gathered below all else, and is nobody's neighbour there; lower rows are 28 high", () => {
    const some = testRoster([{ name: "a.plank", on: false }, { name: "b.plank" }, { name: "c.plank" }]);
    const gathered = planRows(some.lists.plugins, { ...plain, gatherOff: true, compact: true });
    expect(gathered.rows.slice(-5).map((row) => row.key)).toEqual([
      "b.plank",
      "c.plank",
      "section patches",
      "off",
      "a.plank",
    ]);
    expect(gathered.tops.at(-1)).toBe(5 * 30 + 4 * 28);
    const free = freeGaps(some.lists.plugins, indexTies(some, "plugins"), ["c.plank"]);
    const slots = findSlots(gathered, free, [some.pluginOf.get("c.plank")!], some.lists.plugins);
    expect(slots.filter(({ barrier }) => !barrier).map(({ gap, section }) => [gap, section])).toEqual([
      [1, "world"],
      [3, "world"],
      [3, "patches"],
    ]);
  });

  test("whatever is hidden or gathered: put down where it was, an item stays where it is", () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ on: fc.boolean(), isShown: fc.boolean(), patch: fc.boolean() }), {
          minLength: 1,
          maxLength: 8,
        }),
        fc.boolean(),
        fc.boolean(),
        (plugins, gatherOff, isFiltered) => {
          const some = testRoster(
            [...plugins]
              .sort((a, b) => Number(a.patch) - Number(b.patch))
              .map(({ on, patch }, at) => ({
                name: `p${at}.plank`,
                on,
                ...(patch ? { section: "patches" } : {}),
              })),
          );
          const { plugins: there } = some.lists;
          const ties = indexTies(some, "plugins");
          const shown = isFiltered
            ? new Set<string>(there.items.filter((_, at) => plugins[at]?.isShown).map(({ id }) => id))
            : null;
          const look = planRows(there, { ...plain, gatherOff, shown });
          for (const row of look.rows) {
            if (row.kind !== "item" || row.item.fixed) continue;
            const free = freeGaps(there, ties, [row.item.id]);
            const slots = findSlots(look, free, [row.item], there);
            const { at, gap } = ownPlace(slots, free, [row.item], there);
            // A filter leaves bands of sections out in which nothing shows.
            if (at === -1) continue;
            const slot = slots[at]!;
            expect([slot.gap, slot.barrier]).toEqual([gap, null]);
            const edit = placeEdit(there, ties, [row.item.id], slot.gap, slot.section);
            expect(edit).toEqual({ ok: true, value: null });
          }
        },
      ),
    );
  });

  test("in a list that is filtered or folded, slots lie where they do in the whole one", () => {
    const free = freeGaps(list, indexTies(roster, "plugins"), ["p.plank"]);
    const slots = (look: Partial<PlanLook>) =>
      findSlots(planRows(list, { ...plain, ...look }), free, moving("p.plank"), list).map(
        ({ gap, section }) => [gap, section],
      );
    expect(slots({ shown: new Set(["b.plank", "p.plank"]) })).toEqual([
      [2, "world"],
      [4, "world"],
      [4, "patches"],
    ]);
    expect(slots({ collapsed: new Set(["game", "base", "world"]) })).toEqual([
      [1, "game"],
      [2, "base"],
      [4, "world"],
      [4, "patches"],
    ]);
  });

  test("slots lie after every row that stays; those of other ranks and beyond a tie are barred", () => {
    const free = freeGaps(list, indexTies(roster, "plugins"), ["b.plank"]);
    const slots = findSlots(rows, free, moving("b.plank"), list);
    expect(
      slots.map(({ row, gap, section, barrier }) => [
        row,
        gap,
        section,
        barrier && "with" in barrier ? barrier.with : null,
      ]),
    ).toEqual([
      [0, 0, "game", "a.plank"],
      [1, 1, "game", "a.plank"],
      [2, 1, "base", "a.plank"],
      [3, 2, "base", "a.plank"],
      [4, 2, "world", "a.plank"],
      [5, 3, "world", null],
      [7, 3, "patches", null],
      [8, 4, "patches", null],
    ]);
  });

  test("the slot under the pointer is the nearest one", () => {
    const slots = findSlots(
      rows,
      freeGaps(list, indexTies(roster, "plugins"), ["b.plank"]),
      moving("b.plank"),
      list,
    );
    slots.forEach((slot, at) => expect(slotAtHeight(slots, rows.tops, rows.tops[slot.row + 1]!)).toBe(at));
    expect(slotAtHeight(slots, rows.tops, -50)).toBe(0);
    expect(slotAtHeight(slots, rows.tops, 1e6)).toBe(slots.length - 1);
  });
});

test("every letter block has ink that can be read on it (WCAG 2.2, contrast at least 4.5)", () => {
  for (let at = 0; at < 20; at++) {
    const { fill, ink } = sectionHue(at);
    expect(contrast(fill, ink)).toBeGreaterThanOrEqual(4.5);
  }
  expect(sectionHue(9)).toMatchObject({ fill: sectionHue(0).fill, again: true });
  expect(contrast("#ffffff", "#000000")).toBeCloseTo(21);
});

test("sizes are shown in decimal units", () => {
  expect([0, 999, 1000, 12_345, 3_500_000_000].map(formatSize)).toEqual([
    "0 B",
    "999 B",
    "1.0 kB",
    "12 kB",
    "3.5 GB",
  ]);
});

test("the shelf lists what lies on it and what the profile misses", () => {
  const absent = { ...roster.stock, shelf: roster.stock.shelf.slice(1) };
  const rows = shelfRows(
    {
      ...testRoster([]),
      stock: absent,
      mods: roster.mods.map((mod) => (mod.id === "core" ? { ...mod, mod: null, gone: true } : mod)),
      modOf: roster.modOf,
    },
    new Map(),
    [],
  );
  expect(rows.map(({ name, mod }) => [name, mod !== null])).toEqual([
    ["a", true],
    ["b", true],
    ["core", false],
    ["p", true],
  ]);
  expect(rows[0]!.searched).toContain("a.plank");
});

test("a reading tells its rate, and the time left once that means something", () => {
  const progress = { done: 50, total: 200, unchanged: 0, files: 4000, path: "x" };
  expect(progressWords(progressAt(progress, 0.5))).toBe("50 of 200, 8,000 files/s");
  expect(progressWords(progressAt(progress, 2))).toBe("50 of 200, 2,000 files/s, 6 s left");
  expect(progressWords(progressAt(progress, 60))).toBe("50 of 200, 67 files/s, 3 min left");
  expect(progressAt({ ...progress, done: 0 }, 5).secondsLeft).toBeNull();
});
