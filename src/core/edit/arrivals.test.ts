import { testGame } from "../testing/game";
import { pluginFile, shelfMod, testRoster, withState } from "../testing/roster";
import { aRule, aSection } from "../testing/ids";
import type { SectionId } from "../model/ids";
import type { ProfileState } from "../model/profile";
import { addAbsentPlugins } from "./arrivals";
import { addMods } from "./edits";
import { applySteps } from "./steps";

test("what arrives stands at the end of its section, before what a must has last", () => {
  const plain = testRoster([{ name: "a.plank" }, { name: "z.plank" }, { name: "y.plank" }]);
  const arriving = shelfMod("new", [pluginFile("new.plank")]);
  const order = (strength: "must" | "prefer", off = false) => {
    const rule = { kind: "last" as const, item: "Y.plank", within: "section" as const, strength };
    const rules = [{ id: aRule("r"), rule, note: "", made: "", ...(off ? { off: true as const } : {}) }];
    const { state } = withState(plain, { ...plain.profile.state, rules }).profile;
    return addAbsentPlugins(testGame, state, [arriving]).plugins.entries.map(({ id }) => id);
  };
  expect(order("must")).toEqual(["Pond.keel", "a.plank", "z.plank", "new.plank", "y.plank"]);
  // What may give way, and what is switched off, keeps nobody out.
  for (const told of [order("prefer"), order("must", true)])
    expect(told).toEqual(["Pond.keel", "a.plank", "z.plank", "y.plank", "new.plank"]);
});

test("a mod that is added is off and its plugins are not, so that switching it on is enough; they sit where their user says", () => {
  const roster = testRoster([{ name: "a.plank" }]);
  const arriving = shelfMod("new", [pluginFile("new.plank"), pluginFile("other.plank")]);
  const homes = new Map([["new.plank", aSection("patches")]]);
  const applied = applySteps(roster.profile.state, addMods(roster, [arriving], homes)!.steps);
  const state = applied.ok ? applied.value.state : null;
  expect(state?.mods.entries.map(({ id, on }) => [id, on])).toEqual([
    ["a", true],
    ["new", false],
  ]);
  expect(state?.plugins.entries.slice(1).map(({ id, on, section }) => [id, on, section])).toEqual([
    ["a.plank", true, "world"],
    ["other.plank", true, "world"],
    ["new.plank", true, "patches"],
  ]);
});

test("what arrives goes where advice puts it: the curator's own first, for that file only, into an open section of its rank", () => {
  const arriving = shelfMod("new", [pluginFile("new.plank"), pluginFile("other.plank")]);
  const place = (plugin: string, section: string, sha256?: string) => ({
    kind: "place" as const,
    on: { plugin, ...(sha256 !== undefined && { sha256 }) },
    section: aSection(section),
  });
  const plain = testRoster([{ name: "a.plank" }]);
  const placed = (advice: ProfileState["advice"], close?: string, homes?: Map<string, SectionId>) => {
    const { state } = plain.profile;
    const sections = state.plugins.sections.map((section) =>
      section.id === close ? { ...section, closed: true as const } : section,
    );
    const roster = withState(plain, { ...state, advice, plugins: { ...state.plugins, sections } });
    const applied = applySteps(roster.profile.state, addMods(roster, [arriving], homes)!.steps);
    const entries = applied.ok ? applied.value.state.plugins.entries : [];
    return entries.find(({ id }) => id === "new.plank")!.section;
  };
  expect(placed([])).toBe("world");
  expect(placed([place("NEW.plank", "patches")])).toBe("patches");
  expect(placed([place("new.plank", "patches", pluginFile("new.plank").sha256)])).toBe("patches");
  expect(placed([place("new.plank", "patches", "0".repeat(64))])).toBe("world");
  expect(placed([place("other.plank", "patches")])).toBe("world");
  // Foundations are of another rank, and nothing goes into a closed section.
  expect(placed([place("new.plank", "base")])).toBe("world");
  expect(placed([place("new.plank", "nowhere")])).toBe("world");
  expect(placed([place("new.plank", "patches")], "patches")).toBe("world");
  expect(
    placed([place("new.plank", "patches")], undefined, new Map([["new.plank", aSection("world")]])),
  ).toBe("world");
});
