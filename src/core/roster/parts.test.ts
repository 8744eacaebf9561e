import { factsOfLineup, factsOfRoster, fingerprintOf } from "../lineup/fingerprint";
import { makeLineup } from "../lineup/make-lineup";
import { stateFromLineup } from "../lineup/match";
import type { Choice } from "../model/profile";
import type { ModManifest, ShelfMod } from "../model/shelf";
import { testGame } from "../testing/game";
import { pluginFile, shelfMod, testRoster, withState } from "../testing/roster";
import { chooseEdit, openQuestions, partStates, withPart } from "../edit/choices";
import { holdsToWrite } from "../check/order-file";
import { chosenParts, layOutParts, partsOf, proposedChoice, unmetCondition } from "./parts";
import { makeRoster, type Roster } from "./roster";
import { applySteps } from "../edit/steps";
import { aMod } from "../testing/ids";

const manifest: ModManifest = {
  format: "seating-mod/1",
  id: "kit",
  name: "Kit",
  version: "1.0.0",
  options: [
    {
      id: "size",
      label: "Size",
      choose: "one",
      parts: [
        { id: "big", label: "Big", paths: ["Options/Big/"] },
        { id: "small", label: "Small", paths: ["options/small/"], when: { mod: "lens" } },
      ],
    },
    {
      id: "more",
      label: "More",
      choose: "any",
      parts: [{ id: "map", label: "Map", paths: ["textures/map/", "extra/map.skiff"] }],
    },
  ],
  components: [
    { id: "bells", label: "Bells", paths: ["parts/bells/"], on: true },
    { id: "whistles", label: "Whistles", paths: ["parts/whistles/"] },
  ],
};
const [big, small, map, bells, whistles] = partsOf(manifest);

describe("where the files of a package lie", () => {
  const laid = (path: string) =>
    layOutParts(testGame, manifest, [path]).map(({ path: to, part }) => [to, part]);

  test.each([
    ["kit.plank", [["kit.plank", null]]],
    ["options/big/kit.skiff", [["kit.skiff", "size/big"]]],
    ["options/BIG/textures/a.tex", [["textures/a.tex", "size/big"]]],
    // A folder of content stays one, for the game would not find what is in it otherwise.
    ["textures/map/m.tex", [["textures/map/m.tex", "more/map"]]],
    ["extra/map.skiff", [["map.skiff", "more/map"]]],
    ["parts/bells/sounds/b.snd", [["sounds/b.snd", "bells"]]],
    ["options/bigger/x.tex", [["options/bigger/x.tex", null]]],
  ])("%s", (path, to) => {
    expect(laid(path)).toEqual(to);
  });

  test("a file of two parts is named once for each; a package without parts is left as it is", () => {
    const twice = {
      options: [],
      components: [
        { id: "a", label: "A", paths: ["x/"] },
        { id: "b", label: "B", paths: ["x/"] },
      ],
    };
    expect(layOutParts(testGame, twice, ["x/y"]).map(({ part }) => part)).toEqual(["a", "b"]);
    expect(layOutParts(testGame, null, ["x/y"])).toEqual([{ at: 0, path: "x/y", part: null }]);
  });
});

describe("a choice", () => {
  const none: Choice = { mod: aMod("kit"), options: {}, components: [] };

  test("its author's has no answers, and the components that are on from the start", () => {
    expect(proposedChoice(aMod("kit"), manifest)).toEqual({ mod: "kit", options: {}, components: ["bells"] });
  });

  test("of a question with one answer a new one takes the place of the old; of others they add up", () => {
    const first = withPart(none, big!, true, true);
    expect([...chosenParts(withPart(first, small!, true, true))]).toEqual(["size/small"]);
    expect([...chosenParts(withPart(withPart(first, map!, true, false), bells!, true, false))]).toEqual([
      "size/big",
      "more/map",
      "bells",
    ]);
    expect(withPart(first, big!, false, true)).toEqual(none);
    expect(withPart(withPart(none, whistles!, true, false), whistles!, false, false)).toEqual(none);
  });

  test.each([
    [{ mod: "lens" }, "mod"],
    [{ withoutMod: "old" }, "withoutMod"],
    [{ expansion: "island" }, "expansion"],
    [{ withoutMod: "lens" }, undefined],
    [undefined, undefined],
  ])("the condition %j is unmet because of %s", (when, because) => {
    const present = { isModOn: (id: string) => id === "old", expansions: ["north"] };
    expect(unmetCondition(when, present)?.because).toBe(because);
  });
});

describe("in a profile", () => {
  const kit: ShelfMod = {
    ...shelfMod("kit", [
      pluginFile("kit.plank"),
      { ...pluginFile("big.skiff", ["kit.plank"]), part: "size/big" },
      { ...pluginFile("map.skiff"), part: "more/map" },
    ]),
    manifest,
  };
  const base = testRoster([{ name: "kit.plank" }, { name: "lens.plank", modOn: false }]);
  const stock = { ...base.stock, shelf: [kit, ...base.stock.shelf.filter((mod) => mod.id !== "kit")] };
  const roster = makeRoster(base.game, base.profile, stock);
  const item = roster.modOf.get("kit")!;
  const choose = (from: Roster, choice: Choice): Roster => {
    const edit = chooseEdit(from, from.modOf.get("kit")!, choice)!;
    const applied = applySteps(from.profile.state, edit.steps);
    if (!applied.ok) throw new Error(applied.refusal.code);
    return withState(from, applied.value.state);
  };
  const loads = (from: Roster) => from.plugins.filter((plugin) => plugin.loads).map(({ id }) => id);

  test("conditions are told beside each part, by what is on", () => {
    expect(
      partStates(roster, item).map(({ key, chosen, unmet }) => [key, chosen, unmet?.id ?? null]),
    ).toEqual([
      ["size/big", false, null],
      ["size/small", false, "lens"],
      ["more/map", false, null],
      ["bells", true, null],
      ["whistles", false, null],
    ]);
    expect(openQuestions(item)).toEqual(["Size"]);
  });

  test("a part that is chosen while its condition does not hold is not taken, nor told to the game, until it does", () => {
    const chosen = choose(roster, withPart(item.choice, small!, true, true));
    const { choice, taken } = chosen.modOf.get("kit")!;
    expect([choice.options, taken.options, taken.components]).toEqual([{ size: ["small"] }, {}, ["bells"]]);
    expect(holdsToWrite(chosen).map(({ options }) => options)).toEqual([{}]);
    const lens = chosen.profile.state.mods.entries.map((entry) => ({ ...entry, on: true }));
    const state = { ...chosen.profile.state, mods: { ...chosen.profile.state.mods, entries: lens } };
    const now = withState(chosen, state).modOf.get("kit")!;
    expect(now.taken).toBe(now.choice);
  });

  test("plugins of a part take their seats when it is taken; when it is left they keep them and do not load", () => {
    const taken = choose(roster, withPart(item.choice, big!, true, true));
    expect(loads(taken)).toContain("big.skiff");
    expect(loads(taken)).not.toContain("map.skiff");
    const leftAgain = choose(taken, withPart(taken.modOf.get("kit")!.choice, big!, false, true));
    const plugin = leftAgain.pluginOf.get("big.skiff")!;
    expect([plugin.loads, plugin.withheld, plugin.entry.on]).toEqual([false, "part", true]);
    expect(loads(choose(leftAgain, withPart(item.choice, big!, true, true)))).toContain("big.skiff");
  });

  test("a list that goes out after a part was left names what loads; who takes the part later has its plugin on", () => {
    const taken = choose(roster, withPart(item.choice, big!, true, true));
    const left = choose(taken, withPart(taken.modOf.get("kit")!.choice, big!, false, true));
    const facts = { title: "Kit", author: "", note: "", listVersion: "1", date: "2026-11-01" };
    const lineup = makeLineup(left, facts);
    expect(lineup.plugins.find(({ name }) => name === "big.skiff")!.on).toBe(false);
    expect(fingerprintOf(factsOfLineup(lineup))).toBe(lineup.fingerprint);
    const follower = withState(left, stateFromLineup(left.game, lineup, left.stock));
    expect(fingerprintOf(factsOfRoster(follower))).toBe(lineup.fingerprint);
    expect(loads(choose(follower, withPart(item.choice, big!, true, true)))).toContain("big.skiff");
  });

  test("the same choice again changes nothing", () => {
    expect(chooseEdit(roster, item, item.choice)).toBeNull();
  });
});
