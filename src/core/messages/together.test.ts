import { compareFacts } from "../lineup/compare";
import { factsOfRoster } from "../lineup/fingerprint";
import { aMod } from "../testing/ids";
import { shelfMod, testRoster, withState } from "../testing/roster";
import { waysTogether } from "./together";

const names = ["a.plank", "b.plank", "c.plank"];
const mine = testRoster(names.map((name) => ({ name })));

function ways(change: (state: typeof mine.profile.state) => typeof mine.profile.state) {
  const theirs = factsOfRoster(withState(mine, change(mine.profile.state)));
  const here = factsOfRoster(mine);
  const titleOf = (id: string) => id.toUpperCase();
  return compareFacts(theirs, here).map((each) => waysTogether(each, { mine: here, theirs, titleOf }));
}

test("of each difference it is told what either of the two has to change", () => {
  expect(
    ways((state) => ({
      ...state,
      mods: {
        ...state.mods,
        entries: state.mods.entries.map((each) => (each.id === "a" ? { ...each, on: false } : each)),
      },
    })),
  ).toEqual([
    ["switch A off", "have it on"],
    ["switch a.plank off", "have it on"],
  ]);
  expect(ways((state) => ({ ...state, launch: { draw: 3 } }))).toEqual([
    ["set draw as they have it", "set it as you have it"],
  ]);
  expect(
    ways((state) => ({ ...state, choices: [{ mod: aMod("b"), options: {}, components: ["x"] }] })),
  ).toEqual([["choose parts of B as they do", "choose them as you do"]]);
  const [game, a, b, c] = mine.profile.state.plugins.entries;
  expect(
    ways((state) => ({ ...state, plugins: { ...state.plugins, entries: [game!, c!, a!, b!] } })),
  ).toEqual([["move c.plank to where they have it", "move it to where you have it"]]);
  const newer = shelfMod("a", [], "2.0.0");
  const facts = factsOfRoster(mine);
  const other = {
    ...facts,
    game: { ...facts.game, version: "9.0" },
    mods: facts.mods.map((mod) =>
      mod.id === "a" ? { ...mod, version: "2.0.0", content: newer.content! } : mod,
    ),
  };
  const two = { mine: facts, theirs: other, titleOf: (id: string) => id };
  expect(compareFacts(other, facts).map((each) => waysTogether(each, two))).toEqual([
    ["play version 9.0", "play version 1.0.0"],
    ["take a 2.0.0, in their contents", "take 1.0.0, in yours"],
  ]);
});
