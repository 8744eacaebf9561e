import type { Link, Origin, ToldChain } from "../model/problem";
import type { FileProblem } from "../model/refusal";
import { testRoster } from "../testing/roster";
import { tellChain } from "../order/tell-chain";
import { indexTies } from "../roster/ties";
import { labelText } from "./labels";
import { plainText, sentence } from "./parts";
import { problemText, sayProblem } from "./problems";
import { chainText, moveText, tieText, type Telling } from "./reasons";
import { sayRefusal } from "./refusals";

const telling: Telling = { list: "plugins", note: (id: string) => (id === "noted" ? "fog first" : null) };

const whole = (...links: Link[]): ToldChain => ({ links, left: 0 });

test("sentences keep their items apart from their words", () => {
  const item = { item: "a.plank" };
  const parts = sentence("refusals.text.many-such-items", { text: "a", count: 2, item });
  expect(parts).toEqual(["“a” fits 2, ", item, " the first. Type its seat, or more of its name."]);
  expect(plainText(parts, (id) => `C1 ${id}`)).toContain("fits 2, C1 a.plank the first");
  const told = sentence("findings.text.master-cycle", { items: [item, " → ", item] });
  expect(told.slice(1, -1)).toEqual([item, " → ", item]);
});

test("ties are told from the side of the item", () => {
  const roster = testRoster([{ name: "a.plank" }, { name: "b.plank", masters: ["a.plank"] }]);
  const [tie] = indexTies(roster, "plugins").of("b.plank");
  expect(plainText(tieText(tie!, "b.plank", telling))).toBe("After a.plank: it is a master of this one.");
  expect(plainText(tieText(tie!, "a.plank", telling))).toBe("Before b.plank: this is a master of it.");
  const rule = { ...tie!, because: { rule: "noted" } };
  expect(plainText(tieText(rule, "b.plank", telling))).toBe("After a.plank: your rule, “fog first”.");
});

test.each<[Origin, string]>([
  ["needs", "Its master a loads later than it: the game would stop at start."],
  ["class", "The game loads its rank after that of a."],
  ["section", "Its section comes after that of a."],
  [{ rule: "noted" }, "It should load after a: your rule, “fog first”."],
  [{ rule: "built-in:1", source: { kind: "built-in" } }, "It should load after a: the game’s fixed order."],
])("a move because of %j", (because, text) => {
  expect(plainText(moveText("b", whole({ before: "a", after: "b", because }), telling))).toBe(text);
});

test("a long chain is told by its first five and last five links, and how many lie between", () => {
  const links = Array.from({ length: 200 }, (_, at): Link => ({
    before: `n${at}`,
    after: `n${at + 1}`,
    because: "needs",
  }));
  const text = plainText(chainText(tellChain(links), telling));
  expect(text).toContain("n4 is a master of n5, … (190 more steps) …, n195 is a master of n196");
  expect(text.match(/is a master of/g)).toHaveLength(10);
  expect(plainText(chainText(tellChain(links.slice(0, 11)), telling))).not.toContain("…");
});

test("a chain of several links is told link by link", () => {
  const links: Link[] = [
    { before: "a", after: "b", because: "needs" },
    { before: "b", after: "c", because: "section" },
    { before: "c", after: "d", because: { rule: "other" } },
  ];
  expect(plainText(chainText(whole(...links), telling))).toBe(
    "a is a master of b, b belongs to an earlier section than c, and c comes before d by your rule",
  );
  expect(plainText(moveText("d", whole(...links), telling))).toMatch(/by your rule\.$/);
});

test("mods are told to require each other, for they have no masters", () => {
  const ofMods: Telling = { ...telling, list: "mods" };
  const needs: Link = { before: "a", after: "b", because: "needs" };
  expect(plainText(moveText("b", whole(needs), ofMods))).toBe("It requires a, which loads later than it.");
  expect(plainText(moveText("a", whole(needs), ofMods))).toBe("b requires it, and loads earlier.");
  expect(plainText(chainText(whole(needs), ofMods))).toBe("b requires a");
  const aligned: Link = { ...needs, because: { rule: "aligned:1", source: { kind: "aligned" } } };
  expect(plainText(moveText("b", whole(aligned), ofMods))).toBe(
    "It should load after a: so the plugins’ order has it.",
  );
  const tie = { earlier: "a", later: "b", strength: "must", because: "needs", kept: true } as const;
  expect(plainText(tieText(tie, "b", ofMods))).toBe("After a: this one requires it.");
});

test("no code is without words, and unknown ones still say something", () => {
  for (const code of Object.keys(problemText))
    expect(sayProblem({ code, data: { entry: "x" } } as FileProblem).length).toBeGreaterThan(8);
  const stored = { code: "odd", data: {} };
  expect(sayProblem(stored as FileProblem)).toContain("odd");
  expect(plainText(sayRefusal(stored as FileProblem))).toContain("odd");
  expect(plainText(sayRefusal({ code: "stale", data: {} }))).toContain("another window");
});

test("labels tell what undo would undo", () => {
  expect(labelText({ id: "move", data: { item: "a.plank", count: 1 } })).toBe("move a.plank");
  expect(labelText({ id: "move", data: { item: "a.plank", count: 3 } })).toBe("move a.plank and 2 more");
  const names = { title: () => "Tidal Core", seat: () => "C12" };
  expect(labelText({ id: "move", data: { item: "tidal-core", count: 1 } }, names)).toBe(
    "move Tidal Core to C12",
  );
  expect(labelText({ id: "accept", data: { moves: 1 } })).toBe("accept 1 move");
  expect(labelText({ id: "restore", data: { name: "Before" } })).toBe("go back to “Before”");
});
