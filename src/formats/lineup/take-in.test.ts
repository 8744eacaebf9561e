import fc from "fast-check";
import { knownMods } from "@/core/lineup/known";
import { makeLineup } from "@/core/lineup/make-lineup";
import { shareSetup } from "@/core/lineup/share";
import { takeListIn } from "@/core/lineup/take-in";
import type { Entry, Order, ProfileState } from "@/core/model/profile";
import type { ItemId } from "@/core/model/ids";
import type { Roster } from "@/core/roster/roster";
import { takeInWays, type TakeInWay } from "@/core/state/facet";
import { testGame } from "@/core/testing/game";
import { aMod, aPlugin, aRule, aSection } from "@/core/testing/ids";
import { testRoster, withState } from "@/core/testing/roster";
import { lineupFormats } from "./all";
import { writeCode } from "./code";
import { readList } from "./read";
import { resolveList } from "./resolve";

const facts = { title: "Pond", author: "reed", note: "", listVersion: "1", date: "2026-11-02" };
const names = ["Core.keel", "Bed.keel", "a.plank", "b.plank", "c.skiff", "d.plank"];
const plain = testRoster(names.map((name) => ({ name })));
const ids = plain.mods.map(({ id }) => id);

const flags = (count: number) => fc.array(fc.boolean(), { minLength: count, maxLength: count });
const sectionNames = (list: "mods" | "plugins") =>
  list === "mods" ? ["mods", "late", "own"] : ["game", "base", "own", "world", "patches"];
const sectionsOf = (list: "mods" | "plugins") =>
  sectionNames(list).map((id) => ({
    id: aSection(list === "mods" && id === "own" ? "own-mods" : id),
    name: `${list}: ${id} here`,
    rank: list === "mods" ? "mods" : id === "game" ? "builtin" : id === "base" ? "foundation" : "ordinary",
    guidance: "as I like it",
  }));

/** An order of all, some off, some in sections that are not theirs. */
const anyOrder = <Id extends ItemId>(list: "mods" | "plugins", all: readonly Id[], fixed: Entry<Id>[]) =>
  fc
    .record({
      order: fc.shuffledSubarray([...all], { minLength: all.length }),
      on: flags(all.length),
      at: fc.array(fc.nat(list === "mods" ? 2 : 3), { minLength: all.length, maxLength: all.length }),
    })
    .map(({ order, on, at }): Order<Id> => {
      const sections = sectionsOf(list);
      const free = sections.filter(({ id }) => id !== "game");
      const entries = order.map((id, place): Entry<Id> => {
        const section = free[at[place]! % free.length]!.id;
        return {
          id,
          on: on[place]!,
          section,
          ...(on[place] && at[place] === 1 ? { home: free[0]!.id } : {}),
          ...(list === "mods" ? { content: plain.modOf.get(id)!.entry.content! } : {}),
        };
      });
      const all = [...fixed, ...entries];
      return { sections, entries: sections.flatMap(({ id }) => all.filter(({ section }) => section === id)) };
    });

const someState: fc.Arbitrary<ProfileState> = fc
  .record({
    mods: anyOrder("mods", ids, []),
    plugins: anyOrder("plugins", names.map(aPlugin), [
      { id: aPlugin("Pond.keel"), on: true, section: aSection("game") },
    ]),
    choices: fc.subarray([
      { mod: aMod("a"), options: { look: ["tall"] }, components: [], reasons: { "look/tall": "nice" } },
      { mod: aMod("b"), options: {}, components: ["x"] },
    ]),
    leftOut: fc.subarray([
      { mod: aMod("a"), path: "a.plank" },
      { mod: aMod("b"), path: "textures/" },
    ]),
    launch: fc.constantFrom<ProfileState["launch"]>({}, { draw: 4 }),
    // Some hold in the order that comes of it, some do not.
    numbers: fc.subarray([
      { list: "mods" as const, of: "item" as const, id: "a", number: 4 },
      { list: "mods" as const, of: "item" as const, id: "b", number: 2.5 },
      { list: "plugins" as const, of: "item" as const, id: "a.plank", number: 30 },
      { list: "plugins" as const, of: "item" as const, id: "b.plank", number: 1 },
      { list: "plugins" as const, of: "section" as const, id: "world", number: 35 },
      { list: "plugins" as const, of: "section" as const, id: "patches", number: 12 },
    ]),
    rules: fc.subarray([
      {
        id: aRule("r"),
        rule: { kind: "after" as const, item: "a.plank", other: "b.plank", strength: "prefer" as const },
        note: "why",
        made: "2026-11-01",
      },
    ]),
    notes: fc.subarray([
      { list: "mods" as const, item: aMod("a"), text: "dark", author: "reed", at: "2026-11-01" },
    ]),
  })
  .map((some) => ({ ...plain.profile.state, ...some }));

function takenIn(here: Roster, text: string, way: TakeInWay): ProfileState {
  const list = readList(new TextEncoder().encode(text), "x", testGame);
  if (!list.ok) throw new Error(JSON.stringify(list.refusal));
  const { stock } = here;
  return takeListIn(here, resolveList(list.value, testGame, knownMods(stock.shelf, []), stock, "List"), way);
}

const writers: readonly (readonly [string, (here: Roster) => string])[] = [
  ...lineupFormats.map(
    ({ id, write }) => [id, (here: Roster) => write(makeLineup(here, facts), testGame)] as const,
  ),
  [
    "code",
    (here) =>
      writeCode(
        shareSetup(
          makeLineup(here, facts),
          testGame,
          (mod) => here.modOf.get(mod.id)?.mod ?? null,
          () => true,
        ),
      ),
  ],
];

test.each(writers)(
  "%s: one's own list, as it went out, changes nothing, in whichever way it comes in",
  (_, write) => {
    fc.assert(
      fc.property(someState, fc.constantFrom(...takeInWays), (state, way) => {
        const here = withState(plain, state);
        // A list in which nothing is on is none, in formats that carry only what is on.
        fc.pre(here.plugins.some(({ loads, fixed }) => loads && !fixed));
        const after = takenIn(here, write(here), way);
        expect(after).toEqual(here.profile.state);
        expect(after).toBe(here.profile.state);
      }),
    );
  },
);

const told = ({ entries }: Order) => entries.map(({ id, section, on }) => `${section}/${id}${on ? "" : "-"}`);
const someHere = withState(plain, {
  ...plain.profile.state,
  mods: {
    sections: sectionsOf("mods"),
    entries: ids.map((id, at) => ({
      ...plain.modOf.get(id)!.entry,
      section: aSection(at < 3 ? "mods" : "late"),
      on: id !== "bed",
    })),
  },
});

describe("a list of somebody else's, of which only the order comes", () => {
  test("leaves each mod in its section where it names none, and what is off where it stands", () => {
    const { mods, plugins } = takenIn(someHere, "# Mods\nd\nc\nbed\na\ncore\nb\n", "order");
    expect(told(mods)).toEqual(["mods/a", "mods/core", "mods/bed-", "late/d", "late/c", "late/b"]);
    // It names no plugin: none is moved, whatever their files are called.
    expect(plugins).toBe(someHere.profile.state.plugins);
  });

  test("puts them where it has them in the sections that it names, none of which is doubled", () => {
    const list = "list,section,name\nmods,mods: late here,core\nmods,mods: late here,a\nmods,New,d\n";
    const { mods } = takenIn(someHere, list, "order");
    expect(mods.sections.map(({ name, guidance }) => [name, guidance])).toEqual([
      ["mods: mods here", "as I like it"],
      ["mods: late here", "as I like it"],
      ["New", ""],
      ["mods: own here", "as I like it"],
    ]);
    expect(told(mods).map((each) => each.replace(/list-\d/, "new"))).toEqual([
      "mods/bed-",
      "late/b",
      "late/c",
      "late/core",
      "late/a",
      "new/d",
    ]);
  });

  test("a mod that only its plugin names stands in nobody's way", () => {
    const list =
      "list,section,name\nmods,mods: late here,core\nmods,mods: late here,a\nplugins,plugins: world here,d.plank\n";
    const { mods } = takenIn(someHere, list, "order");
    expect(told(mods)).toEqual(["mods/bed-", "late/b", "late/c", "late/d", "late/core", "late/a"]);
  });

  test("a mod that only its plugin names comes on where it stands, and stays on where all else goes off", () => {
    const off = withState(someHere, {
      ...someHere.profile.state,
      mods: {
        ...someHere.profile.state.mods,
        entries: someHere.profile.state.mods.entries.map((each) =>
          each.id === "d" ? { ...each, on: false } : each,
        ),
      },
    });
    const list = "# Mods\nb\n# Plugins\nd.plank\nb.plank\n";
    expect(told(takenIn(off, list, "into").mods)).toEqual(told(someHere.profile.state.mods));
    expect(told(takenIn(off, list, "alone").mods)).toEqual([
      "mods/core-",
      "mods/bed-",
      "mods/a-",
      "late/b",
      "late/c-",
      "late/d",
    ]);
    expect(takenIn(off, list, "order").mods).toBe(off.profile.state.mods);
  });

  test("leaves each in its section where the names of sections are not those of blocks", () => {
    const list = "list,section,name\nmods,One,core\nmods,Two,a\nmods,One,d\nmods,Two,c\n";
    const { mods } = takenIn(someHere, list, "order");
    expect(mods.sections).toEqual(someHere.profile.state.mods.sections);
    expect(told(mods)).toEqual(["mods/core", "mods/bed-", "mods/a", "late/b", "late/d", "late/c"]);
  });

  test("touches no mods where it names only plugins", () => {
    const { mods, plugins } = takenIn(someHere, "# Plugins\nb.plank\na.plank\n", "order");
    expect(mods).toBe(someHere.profile.state.mods);
    const at = (id: string) => plugins.entries.findIndex((entry) => entry.id === id);
    expect(at("b.plank")).toBeLessThan(at("a.plank"));
  });
});

test("what comes in alone switches off what loads besides, of the orders that it names", () => {
  const alone = takenIn(someHere, "# Mods\na\nb\n", "alone");
  expect(told(alone.mods)).toEqual(["mods/core-", "mods/bed-", "mods/a", "late/b", "late/c-", "late/d-"]);
  expect(alone.plugins).toBe(someHere.profile.state.plugins);
  const plugins = takenIn(someHere, "# Plugins\na.plank\n", "alone");
  expect(plugins.mods).toBe(someHere.profile.state.mods);
  expect(plugins.plugins.entries.filter(({ on }) => on).map(({ id }) => id)).toEqual([
    "Pond.keel",
    // It does not load, for its mod is off.
    "Bed.keel",
    "a.plank",
  ]);
});
