import { testGame } from "../testing/game";
import type { MatchedLine } from "./match-lines";
import { namesSections, seat, type ToSeat } from "./seat-listing";

interface Named extends ToSeat {
  readonly id: string;
}
const item = (id: string, more: Partial<ToSeat> = {}): Named => ({
  id,
  said: null,
  rank: "ordinary",
  tags: [],
  stated: true,
  ...more,
});
const patch = { tags: ["patch"] };
const keel = { rank: "foundation" };
const told = ({ seated }: ReturnType<typeof seat<Named>>) =>
  seated.map(({ item: { id }, section, home }) => `${section}/${id}${home ? `<${home}` : ""}`);
const plugins = (items: readonly Named[], byTags = false) => seat(testGame, "plugins", items, byTags);

test("where the sections that take arrivals agree with the order, they take them", () => {
  expect(told(plugins([item("k", keel), item("a"), item("b"), item("p", patch)]))).toEqual([
    "base/k",
    "world/a",
    "world/b",
    "patches/p",
  ]);
});

test("where they would turn the order round, it holds, in one section a rank", () => {
  expect(told(plugins([item("k", keel), item("p", patch), item("a")]))).toEqual([
    "base/k",
    "world/p",
    "world/a",
  ]);
});

test("of a game's own order as few as can be stand elsewhere, and these know where they belong", () => {
  expect(told(plugins([item("a"), item("p", patch), item("b"), item("c"), item("q", patch)], true))).toEqual([
    "world/a",
    "world/p<patches",
    "world/b",
    "world/c",
    "patches/q",
  ]);
  // What stands before all that stay stands where the first of them does.
  expect(told(plugins([item("p", patch), item("a"), item("b")], true))).toEqual([
    "world/p<patches",
    "world/a",
    "world/b",
  ]);
});

test("where arrivals only wait in a section, an item stands in whichever is reached, of its rank or later", () => {
  const waits = {
    ...testGame,
    sections: testGame.sections.map((each) =>
      each.id === "world" ? { ...each, unseated: true as const } : each,
    ),
  };
  const found = seat(waits, "plugins", [item("k", keel), item("p", patch), item("a"), item("b")], true);
  expect(told(found)).toEqual(["base/k", "patches/p", "patches/a", "patches/b"]);
  expect(told(seat(waits, "plugins", [item("k", keel), item("a"), item("p", patch)], true))).toEqual([
    "base/k",
    "world/a",
    "patches/p",
  ]);
});

test("what the list does not state comes behind, as an arrival does", () => {
  const unstated = { stated: false };
  expect(
    told(
      plugins([
        item("z", { ...unstated, ...patch }),
        item("y", { ...unstated, ...keel }),
        item("a"),
        item("x", unstated),
      ]),
    ),
  ).toEqual(["base/y", "world/a", "world/x", "patches/z"]);
  expect(told(plugins([item("x", unstated)]))).toEqual(["world/x"]);
});

describe("sections that a list names", () => {
  const in_ = (said: string, more: Partial<ToSeat> = {}) => ({ said, ...more });
  const names = ({ sections }: ReturnType<typeof plugins>) =>
    sections.map(({ id, name, rank }) => `${id}:${name}:${rank}`);

  test("are the game's own where they are called so, and new ones of the rank that most in them have", () => {
    const found = plugins([
      item("k", in_("Deep", keel)),
      item("l", in_("Deep", keel)),
      item("a", in_("Deep")),
      item("b", in_("World")),
      item("c", in_("W".repeat(100))),
    ]);
    expect(told(found)).toEqual(["list-1/k", "list-1/l", "list-1/a", "world/b", "list-3/c"]);
    expect(names(found)).toEqual([
      "game:Game:builtin",
      "list-1:Deep:foundation",
      "base:Foundations:foundation",
      "world:World:ordinary",
      `list-3:${"W".repeat(80)}:ordinary`,
      "patches:Patches:ordinary",
    ]);
    expect(found.sections.every(({ guidance }) => guidance === "")).toBe(true);
  });

  test("of as many of two ranks, are of that of the first", () => {
    expect(names(plugins([item("a", in_("X")), item("k", in_("X", keel))]))).toContain("list-1:X:ordinary");
    expect(names(plugins([item("k", in_("X", keel)), item("a", in_("X"))]))).toContain("list-1:X:foundation");
  });

  test("are never of an earlier rank than one before them", () => {
    const found = plugins([
      item("a", in_("First")),
      item("k", in_("Second", keel)),
      item("l", in_("Foundations", keel)),
    ]);
    expect(told(found)).toEqual(["list-1/a", "list-2/k", "list-3/l"]);
    expect(names(found).slice(2)).toEqual([
      "list-1:First:ordinary",
      "list-2:Second:ordinary",
      "list-3:Foundations:ordinary",
      "world:World:ordinary",
      "patches:Patches:ordinary",
    ]);
  });

  test("stand in the list's order; those of the game that it does not name before what follows them there", () => {
    const found = plugins([item("p", in_("Patches", patch)), item("a", in_("World"))]);
    expect(told(found)).toEqual(["patches/p", "world/a"]);
    expect(names(found).map((each) => each.split(":")[0])).toEqual(["game", "base", "patches", "world"]);
    const later = plugins([item("p", in_("Patches", patch)), item("x", in_("New"))]);
    expect(names(later).map((each) => each.split(":")[0])).toEqual([
      "game",
      "base",
      "world",
      "patches",
      "list-2",
    ]);
  });

  test("are none where one comes back, or some item has none", () => {
    const back = [item("a", in_("X")), item("b", in_("Y")), item("c", in_("X"))];
    expect(told(plugins(back))).toEqual(["world/a", "world/b", "world/c"]);
    expect(told(plugins([item("a", in_("X")), item("b")]))).toEqual(["world/a", "world/b"]);
    expect(told(plugins([]))).toEqual([]);
  });

  test("are of the rank of mods among the mods", () => {
    const found = seat(testGame, "mods", [item("a", in_("X", { rank: "mods" }))]);
    expect(found.sections.map(({ name, rank }) => `${name}:${rank}`)).toContain("X:mods");
    expect(told(found)).toEqual(["list-1/a"]);
  });
});

describe("whether a list names its sections", () => {
  const match = (section: string | null, plugin: string | null, isKnown = true): MatchedLine => ({
    line: { text: "", list: null, name: "x", on: true, ...(section === null ? {} : { section }) },
    how: "name",
    likeness: 1,
    known: isKnown ? ({} as NonNullable<MatchedLine["known"]>) : null,
    plugin,
    others: [],
    sure: true,
  });

  test.each<[string, MatchedLine[], boolean]>([
    ["nothing is known of it", [match("A", null, false)], false],
    ["it is empty", [], false],
    ["its mods have them", [match("A", null), match("B", null)], true],
    ["what is not known has none", [match("A", null), match(null, null, false)], true],
    ["one of its mods has none", [match("A", null), match(null, null)], false],
    ["one comes back", [match("A", null), match("B", null), match("A", null)], false],
    ["its plugins have them, too", [match("A", null), match("B", "b.plank"), match("B", "c.plank")], true],
    ["its plugins have none", [match("A", null), match(null, "b.plank")], false],
    [
      "mods and plugins have the same name in turns",
      [match("A", null), match("A", "b.plank"), match("B", null), match("B", "c.plank")],
      true,
    ],
    ["only its plugins have them", [match("A", "b.plank")], true],
  ])("%s", (_, matches, is) => expect(namesSections(matches)).toBe(is));
});
