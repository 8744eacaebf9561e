import type { Edit } from "../model/edit";
import type { ModManifest, ShelfMod } from "../model/shelf";
import { makeRoster, type Roster } from "../roster/roster";
import { aMod } from "../testing/ids";
import { hex, pluginFile, shelfMod, testRoster, withState } from "../testing/roster";
import { stateAfter } from "./steps";
import { dropBlend, takeBlend } from "./take-blend";

const recipe = { kind: "recipe" as const, mod: aMod("blend-p1"), name: "Blend" };
const manifest: ModManifest = {
  format: "seating-mod/1",
  id: recipe.mod,
  name: "Blend",
  version: "1",
  generated: "blend",
};
const made = (letter: string, plugin = "Blend.plank"): ShelfMod => ({
  ...shelfMod(recipe.mod, [{ ...pluginFile(plugin), sha256: hex(letter) }], "1"),
  path: `Blend ${letter}.zip`,
  content: hex(`content ${letter}`),
  manifest,
});

const plain = testRoster([
  { name: "core.keel" },
  { name: "a.plank" },
  { name: "b.plank", section: "patches" },
]);
const withShelf = ({ game, profile, stock }: Roster, ...more: readonly ShelfMod[]): Roster =>
  makeRoster(game, profile, { ...stock, shelf: [...stock.shelf, ...more] });
const after = (roster: Roster, edit: Edit | null): Roster =>
  withState(roster, stateAfter(roster.profile.state, edit!)!);
const today = "2026-12-01";

const first = withShelf(plain, made("x"));
const taken = after(first, takeBlend(first, recipe, made("x"), today));

test("a blend comes on, behind all others of its rank, in their last section, by a rule that keeps it there", () => {
  expect(taken.plugins.at(-1)).toMatchObject({ id: "Blend.plank", loads: true });
  expect(taken.plugins.at(-1)!.entry.section).toBe(
    taken.plugins.find(({ id }) => id === "b.plank")!.entry.section,
  );
  expect(taken.profile.state.rules.map(({ rule, made: at }) => [rule, at])).toEqual([
    [{ kind: "last", item: "Blend.plank", within: "list", strength: "must" }, today],
  ]);
  expect(taken.profile.state.blend).toEqual([recipe]);
  expect(takeBlend(taken, recipe, made("x"), "2027-01-01")).toBeNull();
});

test("its contents follow what was built, in one edit; a plugin of another name comes in the place of the old one", () => {
  const two = withShelf(taken, made("y"));
  const next = after(two, takeBlend(two, recipe, made("y"), today));
  expect(next.pluginOf.get("Blend.plank")!.file!.sha256).toBe(hex("y"));
  expect(next.profile.state.rules).toEqual(taken.profile.state.rules);

  const light = withShelf(taken, made("z", "Blend.skiff"));
  const other = after(light, takeBlend(light, recipe, made("z", "Blend.skiff"), "2027-01-01"));
  expect(other.plugins.map(({ id }) => id)).toEqual([
    "Pond.keel",
    "core.keel",
    "a.plank",
    "b.plank",
    "Blend.skiff",
  ]);
  expect(other.profile.state.rules).toMatchObject([{ rule: { item: "Blend.skiff" }, made: today }]);
});

test("one that was switched off comes on again with the next, and goes off where nothing has to be blended", () => {
  const off = after(taken, takeBlend(taken, recipe, null, today));
  expect(off.modOf.get(recipe.mod)!.loads).toBe(false);
  const again = after(off, takeBlend(off, recipe, made("x"), today));
  expect(again.pluginOf.get("Blend.plank")!.loads).toBe(true);
});

test("to do without it takes away its mod, its plugin, its rule and the recipe", () => {
  const without = after(taken, dropBlend(taken, recipe));
  expect(without.profile.state).toEqual(first.profile.state);
});
