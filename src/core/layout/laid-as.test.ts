import type { GameDefinition } from "../model/game";
import type { LaidAs } from "../model/ledger";
import type { ProfileState } from "../model/profile";
import { makeRandom } from "../random";
import { emptyStock } from "../roster/roster";
import { drawnState } from "../testing/drawn-state";
import { testGame } from "../testing/game";
import { rosterOfState, shelfMod } from "../testing/roster";
import { laidAs, layoutGap } from "./laid-as";

const game: GameDefinition = { ...testGame, placement: { kind: "merged", folder: "data" } };
const as = (...mods: readonly (readonly [string, string])[]): LaidAs => ({
  law: "law",
  mods: mods.map(([id, key]) => [id, key]),
});

test("what is missing is told: mods that come, go, are others now, and move; nothing where all lies there", () => {
  const wanted = as(["a", "1"], ["b", "1"], ["c", "1"], ["d", "2"]);
  expect(layoutGap(wanted, wanted)).toBeNull();
  expect(layoutGap(null, null)).toBeNull();
  expect(layoutGap(wanted, null)).toEqual({
    isOtherLaw: false,
    comes: ["a", "b", "c", "d"],
    goes: [],
    changes: [],
    moves: [],
    isOtherDates: false,
  });
  expect(layoutGap(wanted, as(["b", "1"], ["x", "1"], ["a", "1"], ["d", "1"]))).toEqual({
    isOtherLaw: false,
    comes: ["c"],
    goes: ["x"],
    changes: ["d"],
    moves: ["a"],
    isOtherDates: false,
  });
  const dated = { ...wanted, dates: ["a.plank", "b.plank"] };
  expect(layoutGap(dated, dated)).toBeNull();
  for (const other of [wanted, { ...wanted, dates: ["b.plank", "a.plank"] }])
    expect(layoutGap(dated, other)).toMatchObject({ isOtherDates: true, moves: [] });
  expect(layoutGap(wanted, dated)).toMatchObject({ isOtherDates: true });
  expect(layoutGap(wanted, { ...wanted, law: "other" })).toMatchObject({ isOtherLaw: true, comes: [] });
});

test("an empty profile that lies there is not the same as nothing that does", () => {
  expect(layoutGap(as(), as())).toBeNull();
  expect(layoutGap(as(), null)).not.toBeNull();
});

test("of 300 drawn profiles two are laid out alike just where their mods, versions, parts and what is left out are the same", () => {
  const random = makeRandom(5);
  const stock = { ...emptyStock, shelf: ["a", "b", "c", "d", "e"].map((id) => shelfMod(id)) };
  const facts = ({ mods, choices, leftOut }: ProfileState) => {
    const on = mods.entries.filter((entry) => entry.on && stock.shelf.some(({ id }) => id === entry.id));
    const ids = new Set<string>(on.map(({ id }) => id));
    return JSON.stringify([
      on.map(({ id, content }) => [id, content]),
      choices.filter(({ mod }) => ids.has(mod)),
      leftOut.filter(({ mod }) => ids.has(mod)),
    ]);
  };
  let same = 0;
  for (let run = 0; run < 300; run++) {
    const [one, other] = [drawnState(random, game, stock), drawnState(random, game, stock)];
    const [laid, wanted] = [one, other].map((state) => laidAs(rosterOfState(game, stock, state)));
    const isSame = facts(one) === facts(other);
    same += Number(isSame);
    if (isSame) expect(layoutGap(wanted!, laid!)).toBeNull();
    if (layoutGap(wanted!, laid!) === null) expect(laid).toEqual(wanted);
  }
  expect(same).toBeGreaterThan(0);
});

test("a game that reads a list of what to open has nothing laid out", () => {
  const state = drawnState(makeRandom(1), testGame, emptyStock);
  expect(laidAs(rosterOfState(testGame, emptyStock, state))).toBeNull();
});
