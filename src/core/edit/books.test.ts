import type { OrderRule } from "../model/problem";
import type { Rulebook } from "../model/rulebook";
import { indexTies } from "../roster/ties";
import { testRoster } from "../testing/roster";
import { proposeOrder } from "./accept";
import { dropBook, goByBook, switchBookRule } from "./books";
import { compareBooks, makeBook, dueBooks, openBooks } from "../roster/books";
import { prepareEdit } from "./prepare-edit";
import { makeRoster, type Roster } from "../roster/roster";
import { contradictionsOf } from "../roster/rules";
import { aSection } from "../testing/ids";

const pair = (
  kind: "after" | "before",
  item: string,
  other: string,
  strength: "must" | "prefer" = "prefer",
): OrderRule => ({
  kind,
  item,
  other,
  strength,
});

const book: Rulebook = {
  format: "seating-rulebook/2",
  id: "soundings",
  game: "pond",
  name: "Soundings",
  version: "1",
  changelog: [{ version: "1", text: "first" }],
  sections: [],
  rules: [
    { id: "one", rule: pair("after", "A.plank", "b.plank", "must"), note: "it flickers" },
    { id: "two", rule: pair("after", "b.plank", "c.plank"), note: "" },
  ],
  advice: [
    { kind: "known-bad", on: { plugin: "A.plank" }, text: "it crashes" },
    { kind: "note", on: { plugin: "b.plank" }, text: "turn it down" },
  ],
};

function rosterWith(own: readonly OrderRule[], goesBy: readonly string[] = [], cOn = true): Roster {
  const base = testRoster([{ name: "a.plank" }, { name: "b.plank" }, { name: "c.plank", on: cOn }], own);
  const books = [{ id: "soundings", version: "1", off: [...goesBy] }];
  const profile = { ...base.profile, state: { ...base.profile.state, books } };
  return makeRoster(base.game, profile, { ...base.stock, books: [book] });
}

const orderOf = (roster: Roster) =>
  proposeOrder(roster, "plugins")
    .result.order.slice(1)
    .map((id) => id[0])
    .join("");
const apply = (roster: Roster, edit: Parameters<typeof prepareEdit>[2]): Roster => {
  const prepared = prepareEdit(roster, () => indexTies(roster, "plugins"), edit);
  if (!prepared.ok) throw new Error(prepared.refusal.code);
  return makeRoster(roster.game, { ...roster.profile, state: prepared.value.state }, roster.stock);
};

describe("the rules of a book", () => {
  test("hold by the names that the profile has, and bar no move by hand", () => {
    const roster = rosterWith([]);
    expect(orderOf(roster)).toBe("cba");
    expect(indexTies(roster, "plugins").all.every((tie) => tie.strength === "prefer")).toBe(true);
    expect(indexTies(roster, "plugins").all[0]!.because).toEqual({
      rule: "book:soundings:one",
      source: { kind: "book", book: "soundings", rule: "one" },
    });
  });

  test("give way to the curator's own, be that only a preference", () => {
    const own = { ...pair("before", "a.plank", "b.plank"), weight: 0.01 };
    const { result } = proposeOrder(rosterWith([own]), "plugins");
    expect(result.order.slice(1)).toEqual(["a.plank", "c.plank", "b.plank"]);
    expect(result.setAside.map(({ rule }) => "id" in rule && rule.id)).toEqual(["book:soundings:one"]);
    expect(contradictionsOf(rosterWith([own]))).toEqual([]);
  });

  test("can be switched off one by one, and go with their book", () => {
    const roster = rosterWith([]);
    const [open] = openBooks(roster);
    const off = apply(roster, switchBookRule(roster, open!, book.rules[0]!, false)!);
    expect([orderOf(off), off.profile.state.books[0]!.off]).toEqual(["acb", ["one"]]);
    expect(orderOf(apply(off, switchBookRule(off, open!, book.rules[0]!, true)!))).toBe("cba");
    const without = apply(roster, dropBook(open!));
    expect([orderOf(without), without.profile.state.books]).toEqual(["abc", []]);
  });
});

describe("another version", () => {
  const next: Rulebook = {
    ...book,
    version: "2",
    changelog: [{ version: "2", text: "second" }, ...book.changelog],
    sections: [{ id: aSection("reefs"), name: "Reefs", rank: "ordinary", guidance: "" }],
    rules: [
      { id: "one", rule: pair("before", "A.plank", "b.plank"), note: "" },
      { id: "three", rule: pair("after", "c.plank", "A.plank"), note: "" },
    ],
    advice: book.advice.slice(1),
  };

  test("is due where it is newer than the one in use, the newest of all that were found", () => {
    const roster = rosterWith([]);
    const found = ["0.9", "10", "2", "1.0"].map((version) => ({
      book: { ...book, version },
      from: "folder" as const,
      file: `${version}.json`,
    }));
    const other = { book: { ...book, id: "others", version: "99" }, from: "depot" as const, file: "o.json" };
    expect(dueBooks(roster, [...found, other]).map(({ file }) => file)).toEqual(["10.json"]);
    expect(dueBooks(roster, found.slice(0, 1))).toEqual([]);
    expect(dueBooks(roster, [{ ...found[0]!, book }])).toEqual([]);
  });

  test("is compared with the one in use", () => {
    const difference = compareBooks(book, next, []);
    expect(difference).toMatchObject({ adviceAdded: [], adviceGone: [{}], changelog: [{ version: "2" }] });
    const ids = (rules: readonly { id: string }[]) => rules.map(({ id }) => id);
    expect([ids(difference.added), ids(difference.changed), ids(difference.gone)]).toEqual([
      ["three"],
      ["one"],
      ["two"],
    ]);
    const turned = { ...book, rules: book.rules.map(({ id, rule, note }) => ({ note, rule, id })) };
    expect(compareBooks(turned, book, [])).toMatchObject({ added: [], changed: [], gone: [], changelog: [] });
  });

  test("takes the place of the old one; rules that were off stay so, and its sections come behind their rank's", () => {
    const roster = rosterWith([], ["one", "two"]);
    const edit = goByBook(roster, next);
    expect(edit.label.id).toBe("update-book");
    const { books, plugins } = apply(roster, edit).profile.state;
    expect(books).toEqual([{ id: "soundings", version: "2", off: ["one"] }]);
    expect(plugins.sections.at(-1)!.id).toBe("reefs");
  });

  test("that is not on this machine any more does nothing", () => {
    const roster = rosterWith([]);
    const bare = makeRoster(roster.game, roster.profile, { ...roster.stock, books: [] });
    expect([openBooks(bare), orderOf(bare)]).toEqual([[], "abc"]);
  });
});

test("one's own rules become a book: those that are on, with the sections", () => {
  const roster = rosterWith([pair("after", "c.plank", "a.plank")]);
  const made = makeBook(roster, { id: "mine", name: "Mine", version: "1", changelog: [] });
  expect(made).toMatchObject({
    format: "seating-rulebook/2",
    game: "pond",
    rules: [{ id: "r0" }],
    advice: [],
  });
  const { mods, plugins } = roster.profile.state;
  expect(made.sections).toEqual([...mods.sections, ...plugins.sections]);
});
