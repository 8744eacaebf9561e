import { claimOfLineup } from "@/core/lineup/claim";
import { makeLineup } from "@/core/lineup/make-lineup";
import { verdictOf } from "@/core/lineup/verdict";
import { aMod, aPlugin } from "@/core/testing/ids";
import { testRoster } from "@/core/testing/roster";
import { linesIn } from "./lines";
import { toldOfList } from "./of-list";
import { reported, type Told } from "./report";
import { writeSarif } from "./sarif";

const told = (check: string, level: Told["level"], id: string, message: string): Told => ({
  check,
  title: check,
  level,
  subjects: [{ kind: "mod", id }],
  message,
});

test("the gravest come first; the same of the same is one finding, as grave as the gravest, that says all of it once", () => {
  const findings = reported(
    [
      told("a", "hint", "x", "One book says so."),
      told("b", "problem", "x", "Another check."),
      told("a", "blocker", "x", "Another book says more."),
      told("a", "problem", "x", "One book says so."),
    ],
    () => null,
  );
  expect(findings.map(({ check, level, message }) => [check, level, message])).toEqual([
    ["a", "blocker", "One book says so. Another book says more."],
    ["b", "problem", "Another check."],
  ]);
});

test("all that a list lacks is told, each by what it is", () => {
  const roster = testRoster([{ name: "kelp.plank" }]);
  const whole = makeLineup(roster, { title: "Reef", author: "", note: "", listVersion: "1", date: "" });
  const [mod, plugin] = [whole.mods[0]!, whole.plugins.at(-1)!];
  const lineup = {
    ...whole,
    mods: [mod, { ...mod, id: aMod("gone"), name: "Gone", version: "2", content: "a".repeat(64) }],
    plugins: [...whole.plugins, { ...plugin, name: aPlugin("Own.keel"), mod: null, sha256: "b".repeat(64) }],
    expansions: ["far"],
  };
  const claim = {
    ...claimOfLineup(lineup, ""),
    fingerprint: null,
    altered: [],
    unmatched: ["Who?"],
    unsure: ["Either"],
  };
  const verdict = verdictOf(lineup, claim, roster);
  expect(verdict.kind).toBe("not-yet");
  const all = toldOfList({ lineup, claim }, roster, verdict);
  expect(all.map(({ check, subjects: [subject] }) => [check, subject!.kind, subject!.id])).toEqual([
    ["list-missing", "mod", "gone"],
    ["list-missing", "expansion", "far"],
    ["list-missing", "plugin", "Own.keel"],
    ["list-line-unknown", "mod", "Who?"],
    ["list-line-unsure", "mod", "Either"],
  ]);
  expect(all[0]!.message).toBe("Gone 2 is on in the list and not here.");
  expect(all[1]!.message).toBe("far is on in the list and not here.");
});

test("a line is found by whole words, of the first subject that the list names, whatever the case", () => {
  const text = [
    '{ "mods": [',
    '  { "id": "old-reef" },',
    '  { "id": "reef" },',
    '  "REEF.plank"',
    "Wreck 0.9",
  ].join("\r\n");
  const lineOf = linesIn(text, testRoster([{ name: "kelp.plank" }]), new Map([["kelp", "Wreck 0.9"]]));
  expect(lineOf([{ kind: "mod", id: "reef" }])).toBe(3);
  expect(lineOf([{ kind: "plugin", id: "Reef.plank" }])).toBe(4);
  expect(
    lineOf([
      { kind: "plugin", id: "gone.plank" },
      { kind: "mod", id: "old-reef" },
    ]),
  ).toBe(2);
  expect(lineOf([{ kind: "part", id: "kelp:size/large" }])).toBe(5);
  expect(lineOf([{ kind: "path", id: "Wreck-0.9.zip" }])).toBe(5);
  expect(lineOf([{ kind: "mod", id: "ree" }])).toBeNull();
  expect(lineOf([{ kind: "list", id: "" }])).toBeNull();
  expect(linesIn(null, testRoster([]), new Map())([{ kind: "mod", id: "reef" }])).toBeNull();
});

test("what is told once more of a check is of its rule in SARIF, and a space in the name of a list is escaped", () => {
  const findings = reported([told("a", "hint", "x", "X."), told("a", "hint", "y", "Y.")], () => 7);
  const { runs } = writeSarif(findings, {
    version: "1",
    list: "my list.txt",
    titles: new Map([["a", "A thing"]]),
  });
  expect(runs[0]!.tool.driver.rules).toHaveLength(1);
  expect(runs[0]!.tool.driver.rules[0]!.help.text).toContain("A thing");
  expect(runs[0]!.results.map(({ ruleIndex }) => ruleIndex)).toEqual([0, 0]);
  expect(runs[0]!.results[0]!.locations[0]!.physicalLocation).toEqual({
    artifactLocation: { uri: "my%20list.txt" },
    region: { startLine: 7 },
  });
});
