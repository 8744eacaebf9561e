import { creditsOf, creditsText } from "./credits";
import { testGame } from "../testing/game";
import { pluginFile, shelfMod, testRoster, withState } from "../testing/roster";
import { makeRoster, type Stock } from "../roster/roster";
import { compareFacts } from "./compare";
import { factsOfLineup, factsOfRoster, fingerprintOf } from "./fingerprint";
import { makeLineup } from "./make-lineup";
import { matchLineup, stateFromLineup } from "./match";
import { Lineup } from "../model/lineup";
import { differenceEffect, differenceText, titlesFrom } from "../messages/differences";
import { aMod, aPlugin, aProfile, aSection } from "../testing/ids";

const facts = { title: "Quiet pond", author: "reed", note: "", listVersion: "1", date: "2026-11-01" };
const roster = testRoster(
  [
    { name: "Core.keel" },
    { name: "b.plank", masters: ["core.keel"] },
    { name: "a.plank", on: false },
    { name: "p.plank", section: "patches", home: "world" },
    { name: "off.skiff", modOn: false },
  ],
  [{ kind: "after", item: "p.plank", other: "b.plank", strength: "must" }],
);
const lineup = makeLineup(roster, facts);

const reproduce = (stock: Stock) => {
  const profile = { ...roster.profile, id: aProfile("p2"), state: stateFromLineup(testGame, lineup, stock) };
  return makeRoster(testGame, profile, stock);
};

test("a lineup is one that its own schema reads, and names the fingerprint of its contents", () => {
  expect(Lineup.parse(JSON.parse(JSON.stringify(lineup)))).toEqual(lineup);
  expect(lineup.fingerprint).toBe(fingerprintOf(factsOfRoster(roster)));
  expect(fingerprintOf(factsOfLineup(lineup))).toBe(lineup.fingerprint);
});

test("on the same shelf it gives the same setup, with the same order, states, sections, homes and rules", () => {
  const again = reproduce(roster.stock);
  expect(fingerprintOf(factsOfRoster(again))).toBe(lineup.fingerprint);
  expect(again.profile.state.plugins).toEqual(roster.profile.state.plugins);
  expect(again.profile.state.rules).toEqual(roster.profile.state.rules);
  expect(again.profile.state.mods.entries.map(({ id, on }) => [id, on])).toEqual(
    roster.profile.state.mods.entries.map(({ id, on }) => [id, on]),
  );
});

test("what is here under another name is found by its contents", () => {
  const [first, ...rest] = roster.stock.shelf;
  const match = matchLineup(testGame, lineup, {
    ...roster.stock,
    shelf: [...rest, { ...first!, path: "renamed.zip" }],
  });
  expect(match.mods.every((mod) => mod.status === "found")).toBe(true);
});

test("an older version that the lineup wants is taken, though a newer one lies beside it", () => {
  const newer = roster.stock.shelf.map((mod) => ({
    ...shelfMod(
      mod.id,
      mod.plugins.map((plugin) => ({ ...plugin, sha256: "9".repeat(64) })),
      "2.0.0",
    ),
  }));
  const again = reproduce({ ...roster.stock, shelf: [...roster.stock.shelf, ...newer] });
  expect(fingerprintOf(factsOfRoster(again))).toBe(lineup.fingerprint);
});

test("missing and different mods are listed, keep their seats, and the differences name them", () => {
  const shelf = roster.stock.shelf
    .filter((mod) => mod.id !== "b")
    .map((mod) =>
      mod.id === "p" ? shelfMod("p", [pluginFile("p.plank"), pluginFile("more.plank")], "1.1.0") : mod,
    );
  const stock = { ...roster.stock, shelf };
  const match = matchLineup(testGame, lineup, stock);
  expect(match.mods.map(({ wanted, status }) => [wanted.id, status])).toEqual([
    ["core", "found"],
    ["b", "missing"],
    ["a", "found"],
    ["p", "different"],
    ["off", "found"],
  ]);
  const again = reproduce(stock);
  expect(again.pluginOf.get("b.plank")).toMatchObject({ seat: "C1", file: null, loads: false });
  // The list's version of p is not here: the other one is not taken in its place.
  expect(again.modOf.get("p")).toMatchObject({ gone: true, mod: null });
  const [wanted, here] = [factsOfLineup(lineup), factsOfRoster(again)];
  const differences = compareFacts(wanted, here);
  expect(differences.map(({ facet, kind, key }) => [facet, kind, key])).toEqual([
    ["mods", "only-there", "b"],
    ["mods", "only-there", "p"],
    ["plugins", "only-there", "b.plank"],
    ["plugins", "only-there", "p.plank"],
  ]);
  const titleOf = titlesFrom(lineup.mods.map(({ id, name }) => ({ id, name: `The ${name}` })));
  expect(
    differences.map((each) => `${differenceText(each, { wanted, here, titleOf })} ${differenceEffect(each)}`),
  ).toEqual([
    "The b 1.0.0 is missing or off here. What it brings is not there; what needs it fails or does not load.",
    "The p 1.0.0 is missing or off here. What it brings is not there; what needs it fails or does not load.",
    "b.plank does not load here. Its records are not in the game; plugins with it as a master do not load.",
    "p.plank does not load here. Its records are not in the game; plugins with it as a master do not load.",
  ]);
  // Where it is said so, the version that is here is held instead.
  const kept = withState({ ...again, stock }, stateFromLineup(testGame, lineup, stock, new Set(["p"])));
  expect(kept.modOf.get("p")).toMatchObject({ gone: false, mod: { version: "1.1.0" } });
  expect(kept.pluginOf.get("more.plank")).toMatchObject({ loads: false });
  expect(compareFacts(wanted, factsOfRoster(kept))).toContainEqual({
    facet: "mods",
    kind: "content",
    key: "p",
  });
  const arrived = { ...stock, shelf: roster.stock.shelf };
  const whole = withState({ ...again, stock: arrived }, stateFromLineup(testGame, lineup, arrived));
  expect(fingerprintOf(factsOfRoster(whole))).toBe(lineup.fingerprint);
});

test("expansions that are not owned, another game version and other base files are told before anything is done", () => {
  const foreign = { ...lineup, expansions: ["island"], game: { id: "pond", version: "0.9" } };
  const base = [{ ...pluginFile("Pond.keel"), sha256: "8".repeat(64) }];
  const match = matchLineup(testGame, foreign, { ...roster.stock, base });
  expect(match).toMatchObject({
    expansionsMissing: ["The Island"],
    gameVersionDiffers: true,
    baseDifferent: ["Pond.keel"],
  });
});

test("the plugins of an expansion that is not owned here are not taken over", () => {
  const plugins = [...lineup.plugins];
  plugins.splice(1, 0, {
    name: aPlugin("Island.keel"),
    sha256: pluginFile("Island.keel").sha256,
    on: true,
    section: aSection("game"),
    mod: null,
  });
  const state = stateFromLineup(testGame, { ...lineup, expansions: ["island"], plugins }, roster.stock);
  expect(state.plugins.entries.map((entry) => entry.id)).not.toContain("Island.keel");
  const owned = { ...roster.stock, owned: ["island"] };
  expect(stateFromLineup(testGame, { ...lineup, expansions: ["island"], plugins }, owned).expansions).toEqual(
    ["island"],
  );
});

describe("the mods' own order in a lineup", () => {
  const sections = [
    { id: aSection("early"), name: "Early", rank: "mods", guidance: "" },
    { id: aSection("late"), name: "Late", rank: "mods", guidance: "" },
  ];
  const { state } = roster.profile;
  const entries = state.mods.entries.map((entry, at) => ({
    ...entry,
    section: sections[at < 2 ? 0 : 1]!.id,
  }));
  const note = {
    list: "mods",
    item: aMod("a"),
    text: "Quiet at night",
    author: "reed",
    at: facts.date,
  } as const;
  const sorted = withState(roster, { ...state, mods: { sections, entries }, notes: [note] });
  const told = makeLineup(sorted, facts);

  test("keeps its sections and notes", () => {
    const again = stateFromLineup(testGame, told, roster.stock);
    expect(again.mods.sections).toEqual(sections);
    expect(again.mods.entries.map(({ section }) => section)).toEqual(entries.map(({ section }) => section));
    expect(again.plugins).toEqual(state.plugins);
    expect(again.notes).toEqual([note]);
    expect(told.fingerprint).toBe(lineup.fingerprint);
  });

  test("comes into one section where the lineup has none for mods", () => {
    const older = {
      ...told,
      sections: told.sections.filter((section) => section.rank !== "mods"),
      mods: told.mods.map((mod) => ({ ...mod, section: null })),
    };
    const again = stateFromLineup(testGame, older, roster.stock);
    expect(again.mods.sections).toHaveLength(1);
    expect(again.mods.entries.map(({ id, section }) => [id, section])).toEqual(
      entries.map(({ id }) => [id, again.mods.sections[0]!.id]),
    );
  });
});

test("credits name authors in order with all that is theirs, and those without a name last", () => {
  const roster = testRoster(["a", "b", "c", "d"].map((name) => ({ name: `${name}.plank` })));
  const authors: Record<string, string | null> = { a: "wren", b: null, c: "ash", d: "wren" };
  const mods = roster.mods.map((mod) => ({ ...mod, mod: { ...mod.mod!, author: authors[mod.id] ?? null } }));
  const credits = creditsOf({ mods });
  expect(credits).toEqual([
    { author: "ash", mods: ["c"] },
    { author: "wren", mods: ["a", "d"] },
    { author: "", mods: ["b"] },
  ]);
  expect(creditsText("Pond", credits)).toContain("wren: a, d\nAuthor not named: b\n");
  expect(
    makeLineup(roster, { title: "x", author: "", note: "", listVersion: "1", date: "" }).credits,
  ).toHaveLength(1);
});
