import type { Entry, Order, ProfileState } from "../model/profile";
import { facets, noteKey, nothingDecided } from "../state/facets";
import { aMod, aPlugin, aRule, aSection } from "../testing/ids";
import {
  applyDifferences,
  clashKey,
  compareStates,
  keyOfDifference,
  listOfFacet,
  mergeStates,
  sameState,
  takeInState,
} from "./states";

const sections = ["s", "t"].map((id) => ({ id: aSection(id), name: id, rank: "mods", guidance: "" }));
const entryOf =
  <Id>(make: (id: string) => Id) =>
  (told: string): Entry =>
    ({ id: make(told.replace("-", "")), on: !told.endsWith("-"), section: aSection("s") }) as Entry;
const order = <Id>(make: (id: string) => Id, items: string): Order => ({
  sections: sections.slice(0, 1),
  entries: items.split(" ").filter(Boolean).map(entryOf(make)),
});
const stateOf = (mods: string, plugins = "", more: Partial<ProfileState> = {}): ProfileState =>
  ({ ...nothingDecided, mods: order(aMod, mods), plugins: order(aPlugin, plugins), ...more }) as ProfileState;
const told = ({ entries }: Order) => entries.map(({ id, on }) => `${id}${on ? "" : "-"}`).join(" ");

test("two states are the same only where every facet is", () => {
  const state = stateOf("a b", "p");
  expect(sameState(state, stateOf("a b", "p"))).toBe(true);
  for (const other of [
    stateOf("b a", "p"),
    stateOf("a b", "p-"),
    stateOf("a b", "p", { baseOff: ["sheep"] }),
  ])
    expect(sameState(state, other)).toBe(false);
});

test("a difference is applied in its own facet, also where another has one of the same key", () => {
  const here = stateOf("x", "x");
  const there = stateOf("x-", "x-");
  const found = compareStates(here, there);
  expect(found.map(keyOfDifference)).toEqual(["mods on x", "plugins on x"]);
  const next = applyDifferences(here, there, [found[1]!]);
  expect([told(next.mods), told(next.plugins)]).toEqual(["x", "x-"]);
  // What none of them is about is the very same.
  expect(next.mods).toBe(here.mods);
  expect(applyDifferences(here, there, [])).toBe(here);
});

test("what a difference needs comes with it: the section into which an item goes, and no more", () => {
  const here = stateOf("a b");
  const there: ProfileState = {
    ...here,
    mods: {
      sections,
      entries: here.mods.entries.map((each) => ({ ...each, section: aSection("t") })),
    },
  };
  const of = (key: string) => compareStates(here, there).filter((each) => each.key === key);
  const next = applyDifferences(here, there, of("a"));
  expect(next.mods.sections.map(({ id }) => id)).toEqual(["s", "t"]);
  expect(next.mods.entries.map(({ id, section }) => `${section}${id}`)).toEqual(["sb", "ta"]);
  // A section that goes takes what stands in it along, each item needed by it once.
  const back = applyDifferences(there, here, [
    { facet: "mods", kind: "section-only-here", key: "t" },
    { facet: "mods", kind: "section", key: "a" },
  ]);
  expect(back.mods).toEqual(here.mods);
});

test("which facets are orders", () => {
  expect((["mods", "plugins", "rules", "notes"] as const).map(listOfFacet)).toEqual([
    "mods",
    "plugins",
    null,
    null,
  ]);
});

test("clashes are told apart by facet, kind and what they are about", () => {
  const keys = [
    clashKey({ facet: "mods", what: "on", key: "a" }),
    clashKey({ facet: "plugins", what: "on", key: "a" }),
    clashKey({ facet: "mods", what: "place", key: "a" }),
    clashKey({ facet: "mods", what: "on", key: "b" }),
  ];
  expect(new Set(keys).size).toBe(4);
});

describe("in a merge the plugins of a mod go and stay with it", () => {
  const base = stateOf("a b", "a1 b1 b2");
  const owner = (plugin: string) => (plugin.startsWith("x") ? undefined : plugin[0]!);
  const merged = (mine: ProfileState, theirs: ProfileState, side: "mine" | "theirs" = "mine") => {
    const clash = clashKey({ facet: "mods", what: "removed", key: "b" });
    const { state } = mergeStates([base, mine, theirs], { [clash]: side }, owner);
    return [told(state.mods), told(state.plugins)];
  };

  test("they took it out, and its plugins go, also those that I have moved", () => {
    expect(merged(stateOf("a b", "b2 a1 b1"), stateOf("a", "a1 b1 b2"))).toEqual(["a", "a1"]);
    expect(merged(base, stateOf("a", "a1"))).toEqual(["a", "a1"]);
  });

  test("I took it out, and theirs stay away, also those that they have switched", () => {
    expect(merged(stateOf("a", "a1"), stateOf("a b", "a1 b1- b2"))).toEqual(["a", "a1"]);
  });

  test("they took it out, I have changed it: the side that holds has its plugins", () => {
    const mine = stateOf("a b-", "a1 b1 b2");
    const theirs = stateOf("a", "a1");
    expect(merged(mine, theirs)).toEqual(["a b-", "a1 b1 b2"]);
    expect(merged(mine, theirs, "theirs")).toEqual(["a", "a1"]);
  });

  test("I took it out, they have changed it: where theirs holds its plugins are back where they stood", () => {
    const mine = stateOf("a", "a1");
    const theirs = stateOf("a b-", "a1 b1 b2");
    expect(merged(mine, theirs)).toEqual(["a", "a1"]);
    expect(merged(mine, theirs, "theirs")).toEqual(["a b-", "a1 b1 b2"]);
  });

  test("a plugin of which no owner is known, and one of a mod that both keep, are merged by themselves", () => {
    expect(merged(stateOf("a b", "a1 b1 b2 x1"), stateOf("a b", "a1 b2"))).toEqual(["a b", "a1 b2 x1"]);
  });

  test("nothing that stands is made anew where neither side took a mod out", () => {
    expect(mergeStates([base, base, base], {}, owner).state).toBe(base);
  });
});

test("how each kind of decision comes in: theirs in its place, theirs where it meets mine, mine where it meets theirs", () => {
  const book = (id: string, version: string) => ({ id, version, off: [] });
  const note = (text: string) => ({ list: "mods" as const, item: aMod("a"), text, author: "", at: "" });
  const choice = (mod: string, part: string) => ({ mod: aMod(mod), options: {}, components: [part] });
  const mine = stateOf("a z", "", {
    expansions: ["island", "north"],
    books: [book("tides", "1"), book("mine", "1")],
    notes: [note("mine")],
    choices: [choice("a", "x"), choice("z", "x")],
  });
  const theirs = stateOf("a b", "", {
    expansions: ["north"],
    books: [book("tides", "2"), book("theirs", "1")],
    notes: [note("theirs")],
    choices: [choice("a", "y"), choice("b", "y")],
  });
  const into = takeInState(mine, theirs, "into");
  expect(into.expansions).toEqual(["north"]);
  expect(into.books.map(({ id, version }) => `${id} ${version}`)).toEqual(["tides 1", "mine 1", "theirs 1"]);
  expect(into.notes).toEqual([note("mine")]);
  expect(into.choices).toEqual([choice("a", "y"), choice("b", "y"), choice("z", "x")]);
  const order = takeInState(mine, theirs, "order");
  for (const name of ["expansions", "books", "notes", "choices"] as const)
    expect(order[name]).toBe(mine[name]);
  // What brings nothing new leaves the very values that there are.
  const same = takeInState(mine, { ...mine, mods: theirs.mods }, "into");
  for (const name of ["expansions", "books", "notes"] as const) expect(same[name]).toBe(mine[name]);
});

test("what a list says of mods that it names replaces what I said of them, and of no others", () => {
  const choice = (mod: string, part: string) => ({ mod: aMod(mod), options: {}, components: [part] });
  const mine = stateOf("a b", "", { choices: [choice("a", "x"), choice("b", "x")] });
  const next = takeInState(mine, stateOf("a"), "into");
  expect(next.choices).toEqual([choice("b", "x")]);
});

test("sets have no order: of answers, of components, of what is off of a rulebook", () => {
  const answers = (...parts: string[]) => [
    { mod: aMod("a"), options: { look: parts }, components: [...parts] },
  ];
  expect(facets.choices.same(answers("x", "y"), answers("y", "x"))).toBe(true);
  expect(facets.choices.same(answers("x", "y"), answers("x"))).toBe(false);
  const only = (options: Record<string, string[]>, components: string[]) => [
    { mod: aMod("a"), options, components },
  ];
  expect(facets.choices.same(only({ look: ["x"] }, []), only({ look: ["y"] }, []))).toBe(false);
  expect(facets.choices.same(only({}, ["x"]), only({}, ["y"]))).toBe(false);
  expect(facets.choices.same(only({ look: ["x"] }, []), only({ hue: ["x"] }, []))).toBe(false);
  const book = (version: string, ...off: string[]) => [{ id: "tides", version, off: off.map(aRule) }];
  expect(facets.books.same(book("1", "q", "r"), book("1", "r", "q"))).toBe(true);
  expect(facets.books.same(book("1", "q"), book("1", "r"))).toBe(false);
  expect(facets.books.same(book("1"), book("2"))).toBe(false);
  expect(noteKey({ list: "mods", item: aMod("a") })).not.toBe(
    noteKey({ list: "plugins", item: aPlugin("a") }),
  );
});

test("what counts in the fingerprint, and what the game sees", () => {
  const of = (flag: "gameSees" | "fingerprinted") =>
    Object.entries(facets).flatMap(([name, facet]) => (facet[flag] ? [name] : []));
  const decisive = ["mods", "plugins", "expansions", "choices", "baseOff", "launch", "leftOut", "settings"];
  expect(of("gameSees")).toEqual(decisive);
  expect(of("fingerprinted")).toEqual(decisive);
});
