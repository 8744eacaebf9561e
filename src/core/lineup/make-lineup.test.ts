import type { ModManifest } from "../model/shelf";
import type { ProfileState } from "../model/profile";
import { makeRoster } from "../roster/roster";
import { gameOfSettings } from "../testing/game";
import { aMod, aPlugin, aRule, aSection } from "../testing/ids";
import { pluginFile, shelfMod, testRoster } from "../testing/roster";
import { goesOutOn, makeLineup } from "./make-lineup";

const facts = { title: "Pond", author: "reed", note: "words", listVersion: "3", date: "2026-11-02" };
const manifest: ModManifest = {
  format: "seating-mod/1",
  id: aMod("pack"),
  name: "Pack",
  version: "1.0.0",
  page: "depot/pack",
  requires: [{ mod: aMod("plain") }],
  options: [
    {
      id: "look",
      label: "Which look",
      choose: "one",
      parts: ["tall", "low"].map((id) => ({ id, label: `A ${id} one`, paths: [`${id}/`] })),
    },
    {
      id: "light",
      label: "Which light",
      choose: "any",
      parts: [{ id: "red", label: "Red", paths: ["red/"] }],
    },
  ],
  components: [
    { id: "lamps", label: "Lamps", paths: ["lamps/"] },
    { id: "oars", label: "Oars", paths: ["oars/"] },
  ],
};
const plain = shelfMod("plain", [pluginFile("Plain.plank", ["Pond.keel"])]);
const pack = {
  ...shelfMod("pack", [
    { ...pluginFile("Oars.plank"), part: "oars" },
    { ...pluginFile("Lamps.plank"), part: "lamps" },
  ]),
  name: "Pack",
  manifest,
};
const idle = shelfMod("idle", [pluginFile("Idle.plank")]);
const bare = testRoster([]);
const state: ProfileState = {
  ...bare.profile.state,
  mods: {
    sections: [
      ...bare.profile.state.mods.sections,
      { id: aSection("late"), name: "Late", rank: "mods", guidance: "" },
    ],
    entries: ["plain", "pack", "idle", "lost"].map((id) => ({
      id: aMod(id),
      on: id !== "idle",
      section: aSection(id === "pack" ? "late" : "mods"),
      ...(id === "pack" ? { home: aSection("mods") } : {}),
      content: [plain, pack, idle].find((mod) => mod.id === id)?.content ?? "d".repeat(64),
    })),
  },
  plugins: {
    ...bare.profile.state.plugins,
    entries: [
      ...bare.profile.state.plugins.entries,
      { id: aPlugin("Plain.plank"), on: true, section: aSection("patches"), home: aSection("world") },
      { id: aPlugin("Oars.plank"), on: true, section: aSection("patches") },
      { id: aPlugin("Lamps.plank"), on: true, section: aSection("patches") },
      { id: aPlugin("Idle.plank"), on: true, section: aSection("patches") },
    ],
  },
  choices: [{ mod: aMod("pack"), options: { look: ["tall"] }, components: ["lamps"] }],
  leftOut: [{ mod: aMod("plain"), path: "x/" }],
  notes: [
    { list: "mods", item: aMod("plain"), text: "mine", author: "reed", at: "2026-11-01" },
    { list: "plugins", item: aPlugin("Plain.plank"), text: "of a plugin", author: "reed", at: "2026-11-01" },
  ],
  numbers: [{ list: "mods", of: "item", id: "plain", number: 3 }],
  broaderFirst: false,
  rules: [
    {
      id: aRule("r1"),
      rule: { kind: "after", item: "plain", other: "pack", strength: "must" },
      note: "seen",
      made: "2026-11-01",
    },
  ],
  books: [{ id: "b1", version: "2", off: [] }],
  launch: { draw: 4 },
  expansions: ["north"],
  baseOff: ["carts"],
};
const stock = { ...bare.stock, shelf: [plain, pack, idle], owned: ["north"] };
const roster = makeRoster(gameOfSettings, { ...bare.profile, state }, stock);
const made = () =>
  makeLineup(roster, {
    ...facts,
    roles: { plain: "once", pack: "optional", lost: "once" },
    terms: { plain: { kind: "fee" } as never },
  });

test("each mod that has contents stands in it, as it is decided and with what is said of it; of no other there is a word", () => {
  const lineup = made();
  expect(lineup.mods.map(({ id }) => id)).toEqual(["plain", "pack", "idle"]);
  const [one, two, three] = lineup.mods;
  expect(one).toEqual({
    id: "plain",
    name: "plain",
    version: "1.0.0",
    source: "local",
    size: 100,
    content: plain.content,
    archive: plain.archiveSha256,
    on: true,
    section: "mods",
    options: {},
    components: [],
    hidden: ["x/"],
    note: "mine",
    role: "once",
    terms: { kind: "fee" },
  });
  expect(two).toMatchObject({
    source: "depot/pack",
    section: "late",
    home: "mods",
    options: { look: ["tall"] },
    components: ["lamps"],
    note: "",
    role: "optional",
    requires: ["plain"],
  });
  // Of what is chosen, and of nothing else, the names that its author gives.
  expect(two!.labels).toEqual({ look: "Which look", "look/tall": "A tall one", lamps: "Lamps" });
  expect(three).toMatchObject({ on: false });
  for (const key of ["home", "labels", "role", "terms", "requires"]) expect(three).not.toHaveProperty(key);
});

test("each plugin says whether it would load for somebody who knows nothing of packages", () => {
  const lineup = made();
  expect(
    lineup.plugins.map(({ name, on, section, home, mod, masters }) => [
      name,
      on,
      section,
      home,
      mod,
      masters,
    ]),
  ).toEqual([
    ["Pond.keel", true, "game", undefined, null, undefined],
    ["Plain.plank", true, "patches", "world", "plain", ["Pond.keel"]],
    // No part that is chosen brings it.
    ["Oars.plank", false, "patches", undefined, "pack", undefined],
    ["Lamps.plank", true, "patches", undefined, "pack", undefined],
    // What its mod is off for, the mod says.
    ["Idle.plank", goesOutOn(roster.pluginOf.get("Idle.plank")!), "patches", undefined, "idle", undefined],
  ]);
  expect(lineup.plugins[1]!.sha256).toBe(plain.plugins[0]!.sha256);
  expect(goesOutOn(roster.pluginOf.get("Pond.keel")!)).toBe(true);
  expect(goesOutOn(roster.modOf.get("idle")!)).toBe(false);
});

test("all else that the profile decides is in it", () => {
  const lineup = made();
  expect(lineup).toMatchObject({
    format: "seating-lineup/2",
    game: { id: gameOfSettings.id, version: gameOfSettings.version },
    ...facts,
    launch: { draw: 4 },
    expansions: ["north"],
    baseOff: ["carts"],
    broaderFirst: false,
    numbers: state.numbers,
    notes: state.notes,
    rules: state.rules,
    books: state.books,
    followUps: ["plain", "lost"].filter((id) => roster.modOf.has(id)),
  });
  expect(lineup.sections).toEqual([...state.plugins.sections, ...state.mods.sections]);
});

test("what is not decided is not mentioned", () => {
  const silent = makeLineup(bare, facts);
  expect(silent).toMatchObject({
    rules: [],
    launch: {},
    expansions: [],
    baseOff: [],
    followUps: [],
    mods: [],
  });
  for (const key of ["broaderFirst", "books", "numbers", "notes"]) expect(silent).not.toHaveProperty(key);
});
