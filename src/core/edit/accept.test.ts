import { newestById } from "../roster/roster";
import { testGame } from "../testing/game";
import { pluginFile, shelfMod, testRoster, withState, orderOf, modIdOf } from "../testing/roster";
import { acceptEdit, proposeOrder } from "./accept";
import { addAbsentPlugins, emptyState } from "./arrivals";
import { arrivalsEdit, dropMods, switchMods, switchPlugins } from "./edits";
import { placeEdit } from "./place";
import { applySteps } from "./steps";
import { indexTies } from "../roster/ties";
import type { Edit } from "../model/edit";
import type { Roster } from "../roster/roster";

function applied(roster: Roster, edit: Edit | null): Roster {
  const outcome = applySteps(roster.profile.state, edit!.steps);
  if (!outcome.ok) throw new Error(outcome.refusal.code);
  return withState(roster, outcome.value.state);
}

test("an accepted proposal proposes nothing more", () => {
  const roster = testRoster(
    [{ name: "b.plank", masters: ["a.plank"] }, { name: "a.plank" }, { name: "Core.keel" }].sort(
      (x, y) => Number(y.name.endsWith("keel")) - Number(x.name.endsWith("keel")),
    ),
  );
  const proposal = proposeOrder(roster, "plugins");
  expect(proposal.moves.map((move) => move.id)).toEqual(["a.plank"]);
  const after = applied(roster, acceptEdit(roster, proposal));
  expect(orderOf(after)).toEqual(["Pond.keel", "Core.keel", "a.plank", "b.plank"]);
  expect(acceptEdit(after, proposeOrder(after, "plugins"))).toBeNull();
});

test("what a hand has placed stays where an equal move would do, until a proposal is accepted", () => {
  const given = testRoster(
    [{ name: "b.plank" }, { name: "a.plank" }],
    [{ kind: "after", item: "b.plank", other: "a.plank", strength: "prefer" }],
  );
  expect(proposeOrder(given, "plugins").moves.map(({ id }) => id)).toEqual(["a.plank"]);
  const again = testRoster([{ name: "a.plank" }, { name: "b.plank" }]);
  const lower = placeEdit(again.lists.plugins, indexTies(again, "plugins"), ["a.plank"], 2);
  const after = applied(again, lower.ok ? lower.value : null);
  const ruled = withState(after, { ...after.profile.state, rules: given.profile.state.rules });
  expect(orderOf(ruled)).toEqual(["Pond.keel", "b.plank", "a.plank"]);
  const proposal = proposeOrder(ruled, "plugins");
  expect(proposal.moves.map(({ id }) => id)).toEqual(["b.plank"]);
  const accepted = applied(ruled, acceptEdit(ruled, proposal));
  expect(accepted.plugins.filter(({ entry }) => entry.placed)).toEqual([]);
  expect(proposeOrder(accepted, "plugins").moves).toEqual([]);
});

test("a raised item stands in the later section, remembers its home, and goes back when nothing holds it", () => {
  const roster = testRoster([
    { name: "w.plank", masters: ["p.plank"] },
    { name: "p.plank", section: "patches" },
  ]);
  const after = applied(roster, acceptEdit(roster, proposeOrder(roster, "plugins")));
  expect(after.plugins.map(({ id, entry }) => [id, entry.section, entry.home])).toEqual([
    ["Pond.keel", "game", undefined],
    ["p.plank", "patches", undefined],
    ["w.plank", "patches", "world"],
  ]);
  expect(acceptEdit(after, proposeOrder(after, "plugins"))).toBeNull();
  const freed = {
    ...after.stock,
    shelf: [shelfMod("w", [pluginFile("w.plank")]), shelfMod("p", [pluginFile("p.plank")])],
  };
  const free = withState({ ...after, stock: freed }, after.profile.state);
  const back = applied(free, acceptEdit(free, proposeOrder(free, "plugins")));
  expect(back.plugins.map(({ id, entry }) => [id, entry.section])).toEqual([
    ["Pond.keel", "game"],
    ["w.plank", "world"],
    ["p.plank", "patches"],
  ]);
});

test("an empty profile holds what is built in, and expansions that are owned", () => {
  expect(emptyState(testGame, ["island"]).plugins.entries.map((entry) => entry.id)).toEqual([
    "Pond.keel",
    "Island.keel",
  ]);
  expect(emptyState(testGame, []).plugins.entries).toHaveLength(1);
});

test("adding a mod seats its plugins by rank and tag; switching it off leaves their own states", () => {
  const roster = testRoster([{ name: "a.plank" }, { name: "p.plank", section: "patches" }]);
  const mod = {
    ...shelfMod("new", [pluginFile("New.keel"), pluginFile("new.plank"), pluginFile("patch.skiff")]),
    tags: ["patch"],
  };
  const stocked = withState(
    { ...roster, stock: { ...roster.stock, shelf: [...roster.stock.shelf, mod] } },
    roster.profile.state,
  );
  const added = applied(stocked, switchMods(stocked, [mod], true));
  expect(orderOf(added)).toEqual(["Pond.keel", "New.keel", "a.plank", "p.plank", "new.plank", "patch.skiff"]);
  expect(added.plugins.every((plugin) => plugin.loads)).toBe(true);
  const off = applied(added, switchMods(added, [mod], false));
  expect(off.pluginOf.get("new.plank")).toMatchObject({ loads: false, entry: { on: true } });
  const single = applied(off, switchPlugins(off, ["new.plank"], true));
  expect(single.modOf.get("new")!.loads).toBe(true);
  const dropped = applied(single, dropMods(single, ["new"]));
  expect(orderOf(dropped)).toEqual(["Pond.keel", "a.plank", "p.plank"]);
});

test("switching what is fixed or as wanted already is no edit; unsound mods are never added", () => {
  const roster = testRoster([{ name: "a.plank" }]);
  expect(switchPlugins(roster, ["Pond.keel", "a.plank"], true)).toBeNull();
  expect(switchPlugins(roster, ["Pond.keel"], false)).toBeNull();
  expect(
    switchMods(roster, [{ ...shelfMod("bad"), problem: { code: "no-content", data: {} } }], true),
  ).toBeNull();
});

test("a plugin that two mods bring stays when one of them is taken out", () => {
  const roster = testRoster([{ name: "a.plank" }, { name: "b.plank" }]);
  const twice = roster.stock.shelf.map((mod) => ({
    ...mod,
    plugins: [pluginFile("a.plank"), pluginFile(`${mod.id}.plank`)],
  }));
  const both = withState({ ...roster, stock: { ...roster.stock, shelf: twice } }, roster.profile.state);
  expect(orderOf(applied(both, dropMods(both, [modIdOf("b.plank")])))).toEqual(["Pond.keel", "a.plank"]);
});

test("plugins that a mod has come to hold arrive switched off", () => {
  const roster = testRoster([{ name: "a.plank" }]);
  const shelf = [shelfMod("a", [pluginFile("a.plank"), pluginFile("a2.plank")])];
  const grown = withState({ ...roster, stock: { ...roster.stock, shelf } }, roster.profile.state);
  const after = applied(grown, arrivalsEdit(grown));
  expect(after.pluginOf.get("a2.plank")).toMatchObject({ loads: false, seat: "C2" });
  expect(arrivalsEdit(after)).toBeNull();
  expect(addAbsentPlugins(testGame, after.profile.state, [...newestById(shelf).values()])).toBe(
    after.profile.state,
  );
});
