import type { Section } from "../model/game";
import type { PluginId } from "../model/ids";
import type { Entry } from "../model/profile";
import type { Profile } from "../model/profile";
import { testGame } from "../testing/game";
import { pluginFile, shelfMod, testRoster } from "../testing/roster";
import { arrivalSection, countingOf, fixedPlugins, loadRankOf } from "./laws";
import { makeRoster, newestById, placesUsed } from "./roster";
import { findSeat } from "./seat-target";
import { letterOf, seatsOf } from "./seats";
import { aMod, aSection } from "../testing/ids";

test("letters go on with AA after Z", () => {
  expect([0, 25, 26, 51, 52, 701, 702].map(letterOf)).toEqual(["A", "Z", "AA", "AZ", "BA", "ZZ", "AAA"]);
});

test("seats count within the section in which an item stands", () => {
  const { profile } = testRoster([
    { name: "Core.keel" },
    { name: "a.plank" },
    { name: "b.plank" },
    { name: "p.plank", section: "patches" },
  ]);
  expect([...seatsOf(profile.state.plugins)]).toEqual([
    ["Pond.keel", "A1"],
    ["Core.keel", "B1"],
    ["a.plank", "C1"],
    ["b.plank", "C2"],
    ["p.plank", "D1"],
  ]);
});

test("ranks go by extension or flag, built in by name alone, counting apart from them", () => {
  const rank = (name: string, flags = 0) =>
    loadRankOf(testGame, pluginFile(name, [], flags), new Set(["pond.keel"])).id;
  expect([rank("POND.keel"), rank("x.KEEL"), rank("x.plank"), rank("x.plank", 1), rank("x.skiff")]).toEqual([
    "builtin",
    "foundation",
    "ordinary",
    "foundation",
    "ordinary",
  ]);
  const counted = (name: string, flags = 0) => countingOf(testGame, pluginFile(name, [], flags))!.id;
  expect([counted("x.keel"), counted("x.skiff"), counted("x.plank", 2)]).toEqual(["full", "light", "light"]);
});

test("what always loads is the game's own and the expansions that are on, in their order", () => {
  expect(fixedPlugins(testGame, [])).toEqual(["Pond.keel"]);
  expect(fixedPlugins(testGame, ["island"])).toEqual(["Pond.keel", "Island.keel"]);
});

test("arrivals go to the open section of their rank that takes a tag, else to where arrivals wait, else to the first", () => {
  const { sections } = testGame;
  const goesTo = (own: readonly Section[], rank: string, tag: string) => arrivalSection(own, rank, [tag])?.id;
  expect(goesTo(sections, "ordinary", "patch")).toBe("patches");
  expect(goesTo(sections, "ordinary", "other")).toBe("world");
  expect(goesTo(sections, "foundation", "patch")).toBe("base");
  expect(goesTo([], "foundation", "patch")).toBeUndefined();
  const waiting = {
    id: aSection("arrived"),
    name: "Unseated",
    rank: "ordinary",
    guidance: "",
    unseated: true,
  } as const;
  expect(goesTo([...sections, waiting], "ordinary", "other")).toBe("arrived");
  expect(goesTo([...sections, waiting], "ordinary", "patch")).toBe("patches");
  const closed = sections.map((section) => ({ ...section, closed: true }) as const);
  expect(goesTo([...closed, waiting], "ordinary", "patch")).toBe("arrived");
  expect(goesTo(closed, "ordinary", "patch")).toBe("world");
});

test("a plugin loads where it and its mod are on; built-in ones always do and use no place", () => {
  const roster = testRoster([
    { name: "a.plank" },
    { name: "b.plank", on: false },
    { name: "c.plank", modOn: false },
    { name: "l.skiff" },
  ]);
  expect(roster.plugins.map((plugin) => plugin.loads)).toEqual([true, true, false, false, true]);
  expect(placesUsed(roster).map(({ counting, used }) => [counting.id, used])).toEqual([
    ["full", 1],
    ["light", 1],
  ]);
});

test("masters are found without regard to case where the game ignores it", () => {
  const roster = testRoster([{ name: "a.plank", masters: ["POND.KEEL", "gone.plank"] }]);
  expect(roster.pluginOf.get("a.plank")!.masters).toEqual([
    { name: "POND.KEEL", id: "Pond.keel" },
    { name: "gone.plank", id: null },
  ]);
});

test("of two mods that bring the same plugin, the one that is on and loads later supplies it", () => {
  const base = testRoster([{ name: "a.plank" }]);
  const files = [pluginFile("a.plank"), { ...pluginFile("a.plank"), sha256: "f".repeat(64) }];
  const stock = { ...base.stock, shelf: [shelfMod("one", [files[0]!]), shelfMod("two", [files[1]!])] };
  const supplier = (oneOn: boolean, twoOn: boolean) => {
    const mods = {
      sections: [],
      entries: [
        { id: aMod("one"), on: oneOn, section: aSection("mods") },
        { id: aMod("two"), on: twoOn, section: aSection("mods") },
      ],
    };
    const profile: Profile = { ...base.profile, state: { ...base.profile.state, mods } };
    return makeRoster(testGame, profile, stock).pluginOf.get("a.plank")!.mod!.id;
  };
  expect([supplier(true, true), supplier(true, false), supplier(false, false)]).toEqual([
    "two",
    "one",
    "two",
  ]);
});

test("of several versions the newest counts, unless the entry is pinned to one by its contents", () => {
  const shelf = [
    shelfMod("m", [], "1.9.0"),
    shelfMod("m", [], "1.10.0"),
    { ...shelfMod("m", [], "2.0.0"), problem: { code: "no-content" as const, data: {} } },
  ];
  expect(newestById(shelf).get("m")!.version).toBe("1.10.0");
  const base = testRoster([]);
  const version = (content?: string) => {
    const mods = {
      sections: [],
      entries: [{ id: aMod("m"), on: true, section: aSection("mods"), ...(content ? { content } : {}) }],
    };
    const profile: Profile = { ...base.profile, state: { ...base.profile.state, mods } };
    return makeRoster(testGame, profile, { ...base.stock, shelf }).mods[0]!.mod!.version;
  };
  expect(version()).toBe("1.10.0");
  expect(version(shelf[0]!.content!)).toBe("1.9.0");
});

test("a typed seat is a gap among the others and a section; past the end means the end", () => {
  const roster = testRoster([
    { name: "a.plank" },
    { name: "b.plank" },
    { name: "p.plank", section: "patches" },
  ]);
  const seat = (text: string) => {
    const found = findSeat(roster.lists.plugins, text, ["b.plank"]);
    return found.ok ? found.value : found.refusal.code;
  };
  expect(seat(" c1 ")).toEqual({ gap: 1, section: "world" });
  expect(seat("C9")).toEqual({ gap: 2, section: "world" });
  expect(seat("D")).toEqual({ gap: 3, section: "patches" });
  expect([seat("Z1"), seat("12"), seat("C-1"), seat("")]).toEqual([
    "no-seat",
    "no-seat",
    "no-seat",
    "no-seat",
  ]);
});

test("a roster made from an earlier one says the same, with the same objects where nothing is new", () => {
  const before = testRoster([
    { name: "a.plank" },
    { name: "b.plank", masters: ["a.plank"] },
    { name: "c.plank" },
  ]);
  const { state } = before.profile;
  const changes: ((entries: readonly Entry<PluginId>[]) => Entry<PluginId>[])[] = [
    (entries) => [entries[0]!, entries[2]!, entries[1]!, ...entries.slice(3)],
    (entries) => entries.map((entry) => (entry.id === "b.plank" ? { ...entry, on: false } : entry)),
    (entries) => entries.filter((entry) => entry.id !== "a.plank"),
  ];
  for (const change of changes) {
    const plugins = { ...state.plugins, entries: change(state.plugins.entries) };
    const profile = { ...before.profile, version: 2, state: { ...state, plugins } };
    const again = makeRoster(before.game, profile, before.stock, before);
    expect(again).toEqual(makeRoster(before.game, profile, before.stock));
    if (plugins.entries.length === state.plugins.entries.length)
      expect(again.pluginOf.get("Pond.keel")).toBe(before.pluginOf.get("Pond.keel"));
    expect(again.mods).toBe(before.mods);
  }
  const off = {
    ...state,
    mods: { ...state.mods, entries: state.mods.entries.map((entry) => ({ ...entry, on: false })) },
  };
  const again = makeRoster(before.game, { ...before.profile, state: off }, before.stock, before);
  expect(again).toEqual(makeRoster(before.game, { ...before.profile, state: off }, before.stock));
});
