import { claimOfLineup } from "./claim";
import { makeLineup } from "./make-lineup";
import { isSameList, nextVersion, versionRelation } from "./same-list";
import { testRoster } from "../testing/roster";
import type { Claim } from "../model/claim";
import type { Lineup } from "../model/lineup";

const facts = { title: "Quiet Pond", author: "reed", note: "", listVersion: "1.2", date: "2026-11-01" };
const plugins = [{ name: "Core.keel" }, { name: "b.plank" }, { name: "off.skiff", modOn: false }];
const whole = makeLineup(testRoster(plugins), facts);
const fewer = makeLineup(testRoster(plugins.slice(0, 2)), facts);
const otherRule = makeLineup(
  testRoster(plugins, [{ kind: "after", item: "b.plank", other: "Core.keel", strength: "must" }]),
  facts,
);
const kept = (lineup: Lineup, claim: Partial<Claim> = {}) => ({
  lineup,
  claim: { ...claimOfLineup(lineup, "JSON"), ...claim },
});
/** As a text that says no more than names gives it. */
const bald = (lineup: Lineup) =>
  kept(lineup, { fingerprint: null, unsaid: ["versions", "hashes", "parts", "settings"], beside: ["rules"] });

test.each([
  [{ list: "a" }, { list: "a", title: "Renamed", author: "somebody" }, true],
  [{ list: "a" }, { list: "b" }, false],
  [{}, {}, true],
  [{ list: "a" }, { title: "The quiet pond!" }, true],
  [{}, { author: "" }, true],
  [{}, { author: "sedge" }, false],
  [{}, { title: "Quiet Ponds" }, false],
  [{ title: "" }, { title: "" }, false],
])("two lists are versions of one by id, else by title and author: %j and %j", (a, b, same) => {
  const [first, second] = [a, b].map((each) => ({ title: "Quiet Pond", author: "reed", ...each }));
  expect([isSameList(first!, second!), isSameList(second!, first!)]).toEqual([same, same]);
});

test("of two numbers the higher is newer, whatever the day says", () => {
  const [old, recent] = [kept(whole), kept({ ...fewer, listVersion: " 1.10 ", date: "2026-01-01" })];
  expect([versionRelation(old, recent), versionRelation(recent, old)]).toEqual(["newer", "older"]);
});

test("one number with other contents is told from the same, of whole lists and of those that say less", () => {
  const reworded = { ...whole, title: "Pond", note: "Calm.", date: "2026-12-01", listVersion: "v1.2.0" };
  expect(versionRelation(kept(whole), kept(reworded))).toBe("same");
  for (const changed of [fewer, otherRule]) {
    expect(versionRelation(kept(whole), kept(changed))).toBe("same-number");
    expect(versionRelation(kept(changed), kept(whole))).toBe("same-number");
  }
  // Of what one side does not say nothing is held against it: rules do not come along in a text.
  expect(versionRelation(kept(whole), bald(otherRule))).toBe("same");
  expect(versionRelation(kept(whole), bald(fewer))).toBe("same");
  const turned = { ...whole, plugins: [...whole.plugins].reverse() };
  expect(versionRelation(kept(whole), bald(turned))).toBe("same-number");
  const [proof, otherProof] = [{ fingerprint: "a".repeat(64) }, { fingerprint: "b".repeat(64) }];
  const code = { beside: ["rules" as const] };
  expect(versionRelation(kept(whole, { ...code, ...proof }), kept(whole, { ...code, ...otherProof }))).toBe(
    "same-number",
  );
  expect(versionRelation(kept(whole, { ...code, ...proof }), kept(fewer, { ...code, ...proof }))).toBe(
    "same",
  );
  // What only one of two lists leaves out is held against neither.
  const turnedMods = { ...whole, mods: [...whole.mods].reverse() };
  const ids = whole.mods.map(({ id }) => id);
  for (const [other, silence] of [
    [turned, { unsaid: ["plugins"] }],
    [turnedMods, { unsaid: ["hashes"], implied: ids }],
  ] satisfies [Lineup, Partial<Claim>][]) {
    const silent = kept(other, { fingerprint: null, ...silence });
    expect([versionRelation(silent, kept(whole)), versionRelation(kept(whole), silent)]).toEqual([
      "same",
      "same",
    ]);
    const speaking = kept(other, { fingerprint: null, unsaid: ["versions"] });
    expect([versionRelation(speaking, kept(whole)), versionRelation(kept(whole), speaking)]).toEqual([
      "same-number",
      "same-number",
    ]);
  }
  // A list that was altered proves nothing by the fingerprint that it still carries.
  const altered = { ...code, ...proof, altered: ["mods" as const] };
  expect(versionRelation(kept(whole, { ...code, ...proof }), kept(turned, altered))).toBe("same-number");
});

test("where a number is missing, contents and then the day tell", () => {
  const blank = { ...whole, listVersion: " " };
  const changed = { ...otherRule, listVersion: "2" };
  expect(versionRelation(kept(blank), kept({ ...whole, listVersion: "7" }))).toBe("same");
  expect(versionRelation(kept(blank), kept({ ...changed, date: "2026-11-02" }))).toBe("newer");
  expect(versionRelation(kept(blank), kept({ ...changed, date: "2026-10-31" }))).toBe("older");
  // The day of the other one is missing.
  expect(versionRelation(kept({ ...blank, date: "" }), kept({ ...changed, date: "2026-11-02" }))).toBe(
    "other",
  );
  const unnumbered = { ...changed, listVersion: "" };
  expect(versionRelation(kept(whole), kept({ ...unnumbered, date: "2026-11-02" }))).toBe("newer");
  for (const date of ["2026-11-01", "soon"])
    expect(versionRelation(kept(blank), kept({ ...changed, date }))).toBe("other");
});

test.each([
  ["1.9", "1.10"],
  ["1", "2"],
  ["v3.2b", "v3.3b"],
  ["2026-11", "2026-12"],
  ["1.09", "1.10"],
  [" 1.9 ", "1.10"],
  [" spring ", "spring 2"],
  ["0099", "0100"],
  ["007", "008"],
  ["spring", "spring 2"],
  ["", "2"],
])("the number after %j is %j", (version, next) => {
  expect(nextVersion(version)).toBe(next);
});
