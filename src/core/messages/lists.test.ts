import { refuse, type Refused } from "../model/outcome";
import { certainties } from "../lineup/match-lines";
import { aspects } from "../lineup/losses";
import { clashWords, sayClashSide, type ClashNames } from "./clashes";
import { sayLoss } from "./losses";
import { certaintyWords, extraWords, planTitle } from "./matching";
import { plainText } from "./parts";
import { roleWords, termWords } from "./roles";
import { sayRefusal } from "./refusals";

test("every certainty, loss, plan and clash has words of its own", () => {
  for (const words of [
    certainties.map((each) => certaintyWords[each]),
    aspects.map((aspect) => sayLoss({ aspect, count: 3 })),
    (["to-get", "other", "by-hand", "not-to-be-had", "found"] as const).map(planTitle),
    (["removed", "on", "content", "section", "place"] as const).map((what) =>
      clashWords({ facet: "mods", what, key: "a", mine: {}, theirs: {} }),
    ),
    Object.values(extraWords),
    Object.values(roleWords),
    Object.values(termWords),
  ]) {
    expect(new Set(words).size).toBe(words.length);
    expect(words.every((each) => each.length > 1 && !/undefined|null/.test(each))).toBe(true);
  }
});

test.each(aspects)("a loss of one or of many is said in plain words: %s", (aspect) => {
  expect(sayLoss({ aspect, count: 1 })).not.toMatch(/\b1 \w+s\b(?! (?:are|of))/);
  expect(sayLoss({ aspect, count: 12 })).not.toContain("undefined");
});

const names: ClashNames = {
  item: (id) => `the mod ${id}`,
  section: (id) => `section ${id}`,
  version: (content) => `version of ${content}`,
};

test.each([
  ["place", { after: "a" }, "after the mod a"],
  ["place", { after: null }, "first of its section"],
  ["place", {}, "not there"],
  ["on", { value: true }, "on"],
  ["on", { value: false }, "off"],
  ["section", { value: "s" }, "section s"],
  ["content", { value: "c" }, "version of c"],
  ["content", {}, "whichever is the newest"],
  ["changed", { value: ["draw", 7] }, "7"],
  ["changed", {}, "none"],
  ["removed", { value: "removed" }, "removed"],
  ["removed", { value: "off" }, "kept, switched off"],
  ["removed", { value: "on content section" }, "kept, switched on, in another version, in another section"],
] as const)("a side of a clash of %s, %j", (what, side, words) => {
  const clash = { facet: "launch" as const, what, key: "x", mine: {}, theirs: {} };
  expect(sayClashSide(clash, side, names)).toBe(words);
});

test("what is clashed over is told in words: a note, a rule, parts, a rulebook, a setting", () => {
  const said = (value: unknown) =>
    sayClashSide({ facet: "rules", what: "changed", key: "x", mine: {}, theirs: {} }, { value }, names);
  const rule = { kind: "after", item: "a", other: "b", strength: "must" };
  const words = [
    said({ list: "mods", item: "a", text: "It is dark.", author: "", at: "" }),
    said({ id: "r", rule, note: "", made: "" }),
    said({ id: "r", rule, note: "", made: "", off: true }),
    said({ mod: "a", options: { look: ["tall"] }, components: ["bells"] }),
    said({ mod: "a", options: {}, components: [] }),
    said({ id: "tides", version: "2", off: ["q"] }),
    said({ mod: "a", path: "x.dat" }),
    said(["draw", 3]),
  ];
  expect(words[0]).toBe("It is dark.");
  expect(words.slice(3)).toEqual([
    "look: tall; bells",
    "none of its parts",
    "version 2, 1 rule off",
    "left out",
    "3",
  ]);
  expect(words[2]).toBe(`${words[1]!} (off)`);
  expect(words.every((each) => !/[{}[\]]/.test(each))).toBe(true);
});

test.each(["busy", "broke-off", "not-there", "damaged", "not-in-depot"] as const)(
  "a transfer that goes wrong names its mod: %s",
  (code) => {
    const { refusal } = refuse(code, { name: "Reeds" });
    expect(plainText(sayRefusal(refusal))).toContain("Reeds");
  },
);

test.each([
  refuse("code-not"),
  refuse("code-cut"),
  refuse("code-unsound"),
  refuse("list-empty", { name: "x.txt" }),
  refuse("list-version"),
  refuse("list-version-taken", { version: "1.0", next: "1.1" }),
])("$refusal.code says what to do or what is the matter, and no code", ({ refusal }: Refused) => {
  const { code } = refusal;
  const text = plainText(sayRefusal(refusal));
  expect(text).not.toContain(code);
  expect(text.length).toBeGreaterThan(20);
});
