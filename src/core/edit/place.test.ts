import type { Entry } from "../model/profile";
import fc from "fast-check";
import { orderOf, testRoster, withState, type TestPlugin } from "../testing/roster";
import { counterparts } from "../roster/counterparts";
import { barrierAt, freeGaps, openRuns, placeEdit } from "./place";
import { prepareEdit } from "./prepare-edit";
import { makeRoster } from "../roster/roster";
import { applySteps } from "./steps";
import { indexTies } from "../roster/ties";
import { aPlugin, aSection } from "../testing/ids";

const chain: readonly TestPlugin[] = [
  { name: "Core.keel" },
  { name: "a.plank" },
  { name: "b.plank", masters: ["a.plank"] },
  { name: "c.plank" },
  { name: "d.plank", masters: ["b.plank"] },
  { name: "p.plank", section: "patches" },
];
const roster = testRoster(chain);
const ties = indexTies(roster, "plugins");

const place = (ids: readonly string[], gap: number, section: string | null = null) =>
  placeEdit(roster.lists.plugins, ties, ids, gap, section);

const after = (ids: readonly string[], gap: number, section: string | null = null): string[] => {
  const edit = place(ids, gap, section);
  if (!edit.ok || !edit.value) throw new Error("no edit");
  const applied = applySteps(roster.profile.state, edit.value.steps);
  return applied.ok ? applied.value.state.plugins.entries.map((entry) => `${entry.id}@${entry.section}`) : [];
};

test("the free gaps end at the nearest master above and the nearest dependent below", () => {
  const free = freeGaps(roster.lists.plugins, ties, ["b.plank"]);
  expect([free.from, free.to]).toEqual([3, 4]);
  expect(free.above).toMatchObject({ kind: "tie", with: "a.plank", because: "needs" });
  expect(free.below).toMatchObject({ kind: "tie", with: "d.plank" });
  expect(barrierAt(free, 3)).toBeNull();
  expect(barrierAt(free, 2)).toBe(free.above);
});

test("a load rank bars the way and names the neighbour", () => {
  const free = freeGaps(roster.lists.plugins, ties, ["c.plank"]);
  expect(free.above).toEqual({ kind: "rank", with: "Core.keel", item: "c.plank", rank: "ordinary" });
  expect(free.below).toBeNull();
  expect(place(["Core.keel"], 4)).toMatchObject({
    ok: false,
    refusal: { code: "rank-below", data: { with: "a.plank" } },
  });
});

test("several items go together, bounded by what stays", () => {
  const free = freeGaps(roster.lists.plugins, ties, ["a.plank", "b.plank"]);
  expect([free.from, free.to]).toEqual([2, 3]);
  expect(after(["b.plank", "a.plank"], 3)).toEqual([
    "Pond.keel@game",
    "Core.keel@base",
    "c.plank@world",
    "a.plank@world",
    "b.plank@world",
    "d.plank@world",
    "p.plank@patches",
  ]);
});

test("on a border the section asked for is taken, where the gap touches it", () => {
  expect(after(["c.plank"], 5, "patches").slice(-2)).toEqual(["c.plank@patches", "p.plank@patches"]);
  expect(after(["c.plank"], 5, "world").slice(-2)).toEqual(["c.plank@world", "p.plank@patches"]);
  expect(after(["p.plank"], 2, "patches")[2]).toBe("p.plank@world");
});

test("what is built in stays, and a place already taken is no edit", () => {
  expect(place(["Pond.keel"], 3)).toMatchObject({ ok: false, refusal: { code: "built-in-stays" } });
  expect(place(["c.plank"], 4)).toEqual({ ok: true, value: null });
});

test("ties that are broken already bar nobody; prefer rules never do", () => {
  const broken = testRoster([
    { name: "b.plank", masters: ["a.plank"] },
    { name: "x.plank" },
    { name: "a.plank" },
  ]);
  expect(placeEdit(broken.lists.plugins, indexTies(broken, "plugins"), ["b.plank"], 2)).toMatchObject({
    ok: true,
  });
  const preferring = testRoster(
    [{ name: "a.plank" }, { name: "b.plank" }],
    [{ kind: "after", item: "b.plank", other: "a.plank", strength: "prefer" }],
  );
  expect(placeEdit(preferring.lists.plugins, indexTies(preferring, "plugins"), ["b.plank"], 1)).toMatchObject(
    { ok: true },
  );
});

test("a gap is free just where the edit breaks no must tie that held, by trying every gap", () => {
  const names = ["a", "b", "c", "d", "e"].map((letter) => `${letter}.plank`);
  const plugin = (name: string) =>
    fc.record({
      name: fc.constant(name),
      masters: fc.uniqueArray(fc.constantFrom(...names), { maxLength: 2 }),
    });
  fc.assert(
    fc.property(
      fc.tuple(...names.map(plugin)),
      fc.subarray(names, { minLength: 1, maxLength: 2 }),
      fc.nat(5),
      (plugins, ids, gap) => {
        const given = testRoster(plugins);
        const index = indexTies(given, "plugins");
        const rest = orderOf(given).filter((id) => !ids.includes(id));
        const moved = orderOf(given).filter((id) => ids.includes(id));
        const next = [...rest.slice(0, gap), ...moved, ...rest.slice(gap)];
        const holds = (order: readonly string[], earlier: string, later: string) =>
          order.indexOf(earlier) < order.indexOf(later);
        const breaks = index.all.some(
          (tie) =>
            tie.kept &&
            ids.includes(tie.earlier) !== ids.includes(tie.later) &&
            holds(orderOf(given), tie.earlier, tie.later) &&
            !holds(next, tie.earlier, tie.later),
        );
        expect(placeEdit(given.lists.plugins, index, ids, gap).ok).toBe(gap > 0 && !breaks);
      },
    ),
    { numRuns: 500 },
  );
});

test("the server refuses what the list would not have let pass", () => {
  const state = roster.profile.state;
  const entry = (id: string) => state.plugins.entries.find((each) => each.id === id)!;
  const label = { id: "move" as const, data: {} };
  const put = (id: string, before: string | null, section = entry(id).section) =>
    prepareEdit(roster, () => ties, {
      label,
      steps: [
        {
          kind: "put",
          list: "plugins",
          entries: [{ ...entry(id), section }],
          before: before === null ? null : aPlugin(before),
        },
      ],
    });
  expect(put("b.plank", "a.plank")).toMatchObject({ ok: false, refusal: { code: "tie-above" } });
  expect(put("c.plank", "a.plank")).toMatchObject({ ok: true });
  expect(put("a.plank", "Core.keel", aSection("base"))).toMatchObject({
    ok: false,
    refusal: { code: "outside-section" },
  });
  const drop = prepareEdit(roster, () => ties, {
    label,
    steps: [
      { kind: "drop", list: "plugins", ids: [aPlugin("Pond.keel")] },
      { kind: "put", list: "plugins", entries: [entry("c.plank")], before: aPlugin("a.plank") },
    ],
  });
  expect(drop).toMatchObject({ ok: false, refusal: { code: "built-in-stays" } });
  expect(withState(roster, state).plugins).toHaveLength(7);
});

describe("a closed section", () => {
  const closing = (id: string) => {
    const { state } = roster.profile;
    const sections = state.plugins.sections.map((section) =>
      section.id === id ? { ...section, closed: true as const } : section,
    );
    return withState(roster, { ...state, plugins: { ...state.plugins, sections } });
  };
  const closed = closing("patches");
  const into = (from: typeof roster, ids: readonly string[], gap: number, section: string | null) =>
    placeEdit(from.lists.plugins, indexTies(from, "plugins"), ids, gap, section);

  test("lets nobody in, by name", () => {
    expect(into(closed, ["c.plank"], 6, "patches")).toMatchObject({
      ok: false,
      refusal: { code: "section-closed", data: { item: "c.plank", section: "Patches" } },
    });
    const beside = into(closed, ["c.plank"], 5, null);
    expect(beside.ok && beside.value?.steps[0]).toMatchObject({ entries: [{ section: "world" }] });
  });

  test("lets those move about that are in it", () => {
    const world = closing("world");
    const moved = into(world, ["c.plank"], 2, "world");
    expect(moved.ok && moved.value).toBeTruthy();
    if (moved.ok && moved.value)
      expect(prepareEdit(world, (list) => indexTies(world, list), moved.value).ok).toBe(true);
  });

  test("is kept closed by the server too, but for what a tie raises into it", () => {
    const put = (entry: Entry) =>
      prepareEdit(closed, (list) => indexTies(closed, list), {
        label: { id: "move", data: {} },
        steps: [{ kind: "put", list: "plugins", entries: [entry], before: null }],
      });
    const entry = { id: aPlugin("c.plank"), on: true, section: aSection("patches") };
    expect(put(entry)).toMatchObject({ ok: false, refusal: { code: "section-closed" } });
    expect(put({ ...entry, home: aSection("world") }).ok).toBe(true);
  });

  test("lets home what belongs there and was raised out of it", () => {
    const { state } = closing("world").profile;
    const entries = state.plugins.entries.map((entry) =>
      entry.id === "c.plank" ? { ...entry, section: aSection("patches"), home: aSection("world") } : entry,
    );
    const sorted = [
      ...entries.filter(({ id }) => id !== "c.plank"),
      entries.find(({ id }) => id === "c.plank")!,
    ];
    const raised = withState(roster, { ...state, plugins: { ...state.plugins, entries: sorted } });
    const edit = into(raised, ["c.plank"], 3, "world");
    if (!edit.ok || !edit.value) throw new Error("refused");
    expect(prepareEdit(raised, (list) => indexTies(raised, list), edit.value).ok).toBe(true);
  });
});

test("mods are placed among themselves, bounded by what they require, and keep the version they are pinned to", () => {
  const base = testRoster([{ name: "a.plank" }, { name: "b.plank" }, { name: "c.plank" }]);
  const shelf = base.stock.shelf.map((mod) =>
    mod.id === "c"
      ? {
          ...mod,
          manifest: {
            format: "seating-mod/1" as const,
            id: "c",
            name: "c",
            version: "1",
            requires: [{ mod: "b" }],
          },
        }
      : mod,
  );
  const { state } = base.profile;
  const entries = state.mods.entries.map((entry) => ({
    ...entry,
    content: shelf.find(({ id }) => id === entry.id)!.content!,
  }));
  const given = makeRoster(
    base.game,
    { ...base.profile, state: { ...state, mods: { ...state.mods, entries } } },
    { ...base.stock, shelf },
  );
  const { mods } = given.lists;
  const index = indexTies(given, "mods");
  expect(placeEdit(mods, index, ["c"], 0)).toMatchObject({
    ok: false,
    refusal: { code: "tie-above", data: { with: "b", because: "needs", list: "mods" } },
  });
  const edit = placeEdit(mods, index, ["b"], 0);
  expect(edit.ok && edit.value?.steps).toEqual([
    {
      kind: "put",
      list: "mods",
      entries: [
        {
          id: "b",
          on: true,
          section: "mods",
          content: shelf.find(({ id }) => id === "b")!.content!,
          placed: true,
        },
      ],
      before: "a",
    },
  ]);
  expect(counterparts(given, "plugins", ["b", "c"])).toEqual(["b.plank", "c.plank"]);
  expect(counterparts(given, "mods", ["c.plank", "Pond.keel"])).toEqual(["c"]);
});

test("the runs of gaps that are open are those at which the items may really be seated, whatever is closed", () => {
  const placements = fc.record({
    closed: fc.subarray(["base", "world", "middle", "patches"]),
    at: fc.array(fc.constantFrom("world", "middle", "patches"), { minLength: 6, maxLength: 6 }),
    moving: fc.nat(5),
  });
  const ids = [..."uvwxyz"].map((id) => `${id}.plank`);
  fc.assert(
    fc.property(placements, ({ closed, at, moving }) => {
      const plain = testRoster(ids.map((name) => ({ name })));
      const { state } = plain.profile;
      const middle = { id: aSection("middle"), name: "Middle", rank: "ordinary", guidance: "" };
      const sections = state.plugins.sections
        .flatMap((section) => (section.id === "patches" ? [middle, section] : [section]))
        .map((section) => (closed.includes(section.id) ? { ...section, closed: true as const } : section));
      const placed = ids.map((id, n) => ({ id: aPlugin(id), on: true, section: aSection(at[n]!) }));
      const all = [state.plugins.entries[0]!, ...placed];
      const entries = sections.flatMap(({ id }) => all.filter(({ section }) => section === id));
      const here = withState(plain, { ...state, plugins: { sections, entries } });
      const list = here.lists.plugins;
      const index = indexTies(here, "plugins");
      const item = list.itemOf.get(ids[moving]!)!;
      const free = freeGaps(list, index, [item.id]);
      const runs = openRuns(list, free, [item]);
      for (let gap = free.from; gap <= free.to; gap++) {
        const open = [null, ...sections.map(({ id }) => id)].some(
          (section) => placeEdit(list, index, [item.id], gap, section).ok,
        );
        expect([gap, runs.some(({ from, to }) => from <= gap && gap <= to)]).toEqual([gap, open]);
      }
    }),
  );
});
