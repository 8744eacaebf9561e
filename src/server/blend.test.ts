import { join } from "node:path";
import { recipeOf } from "@/core/blend/decisions";
import { switchItems } from "@/core/edit/edits";
import type { ProfileId } from "@/core/model/ids";
import { makeRoster, type Roster } from "@/core/roster/roster";
import { allTies } from "@/core/roster/ties";
import { runChecks } from "@/core/check/run-checks";
import { blendView, type BlendView } from "@/formats/blend-view";
import { startGame } from "@/standin/game/start";
import { findCurrentGame } from "@/store/games";
import { listProfiles } from "@/store/profiles";
import { getStock } from "./stock";
import { storeEdit } from "./operations/edit-profile";
import { buildBlend } from "./operations/blend";
import { step } from "./operations/history";
import { writeOrder } from "./operations/order-file";
import { findOverlaps, libraryFor } from "./operations/read-library";
import { switchProfile } from "./operations/profiles";
import { makeDemoContext, storedProfile, value, type DemoContext } from "./testing/demo-context";

let demo: DemoContext;
beforeAll(async () => {
  demo = await makeDemoContext(60);
}, 120_000);
afterAll(() => demo.end());

async function profileCalled(name: string): Promise<ProfileId> {
  const all = await listProfiles(demo.context.db, "brinehollow");
  return all.find((profile) => profile.name === name)!.id;
}

const game = async () => (await findCurrentGame(demo.context.db))!;

async function rosterOf(id: ProfileId): Promise<Roster> {
  const { definition } = await game();
  const plain = makeRoster(
    definition,
    (await storedProfile(demo.context, id))!,
    await getStock(demo.context, await game()),
  );
  return { ...plain, overlaps: await findOverlaps(demo.context, await game(), plain) };
}

async function viewOf(id: ProfileId): Promise<BlendView> {
  const roster = await rosterOf(id);
  return blendView(roster, await libraryFor(demo.context, await game(), roster));
}

const build = async (id: ProfileId) => {
  const { version } = (await storedProfile(demo.context, id))!;
  return buildBlend(demo.context, join(demo.folder, "incoming"), id, version);
};

const isDue = (roster: Roster): boolean =>
  runChecks({ roster, ties: allTies(roster), onDisk: { order: null, holds: null } }).some(
    ({ id }) => id === "blend-due",
  );

/** What the stand-in says of the lists when it starts with the order of a profile. */
async function listsInTheGame(id: ProfileId): Promise<string[]> {
  value(await switchProfile(demo.context, id));
  const { definition, folders } = await game();
  value(await writeOrder(demo.context, id, null));
  const log: string[] = [];
  await startGame(definition, folders.game, (line) => log.push(line), folders.order);
  return log.filter((line) => line.startsWith("list "));
}

test("the demo’s game has twelve lists, marks from all sources, clashes, what must never be blended over, and a crowd without marks", async () => {
  const view = await viewOf(await profileCalled("Long Descent"));
  expect(view.standing).toBe("none");
  expect(view.lists.length + view.left.length).toBe(12);
  expect(new Set(view.parts.map(({ marked }) => marked?.source.by ?? "nobody"))).toEqual(
    new Set(["nobody", "manifest", "curator"]),
  );
  expect(view.left).toContainEqual({ record: "finds-kelp@Brinehollow.keel", why: "never-last" });
  expect(view.clashes.map(({ record, name }) => `${name} in ${record}`)).toContain(
    "squall in weather-open@Brinehollow.keel",
  );
  const shallow = view.lists.find(({ record }) => record.startsWith("finds-shallow"))!;
  expect(shallow.comes.length).toBeGreaterThan(1);
  expect(shallow.goes).toEqual([]);
});

test("a blend is built, on, last and current; the game has all of every list then; it is due after a switch, and current again after the undo", async () => {
  const id = await profileCalled("Harbour Lights");
  const first = await rosterOf(id);
  // Two that need one another stop the game.
  const twins = first.mods.filter((mod) => mod.id.startsWith("twin-lanterns"));
  value(await storeEdit(demo.context, id, first.profile.version, switchItems(first, twins, false)!));
  const before = await listsInTheGame(id);
  expect(before.length).toBeGreaterThan(0);
  expect(before.some((line) => line.includes("shoals"))).toBe(true);

  value(await build(id));
  const built = await rosterOf(id);
  const recipe = recipeOf(built.profile.state)!;
  const plugin = built.plugins.find(({ mod }) => mod?.id === recipe.mod)!;
  expect([plugin.loads, plugin.place, plugin.id]).toEqual([true, built.plugins.length - 1, "Blend.skiff"]);
  expect([built.overlaps.standing.blend, isDue(built)]).toEqual(["current", false]);
  expect(await build(id)).toMatchObject({ ok: false, refusal: { code: "blend-current" } });

  const view = await viewOf(id);
  const after = await listsInTheGame(id);
  for (const { record, entries } of view.lists) {
    const names = new Set(entries.map(({ name }) => name)).size;
    expect(after).toContain(`list ${record}: ${names} of ${names}, from Blend.skiff`);
  }

  const { version } = built.profile;
  const adding = view.parts.find(({ plugin: name }) => name === "Small Fry.skiff")!;
  const off = switchItems(built, [built.pluginOf.get(adding.plugin)!], false)!;
  value(await storeEdit(demo.context, id, version, off));
  const due = await rosterOf(id);
  expect([due.overlaps.standing.blend, isDue(due)]).toEqual(["due", true]);
  value(await step(demo.context, id, due.profile.version, "undo"));
  expect((await rosterOf(id)).overlaps.standing.blend).toBe("current");

  value(await storeEdit(demo.context, id, (await rosterOf(id)).profile.version, off));
  value(await build(id));
  const rebuilt = await rosterOf(id);
  expect(rebuilt.overlaps.standing.blend).toBe("current");
  expect(rebuilt.plugins.filter(({ mod }) => mod?.id === recipe.mod).map(({ id: name }) => name)).toEqual([
    "Blend.skiff",
  ]);
}, 60_000);

test("what is built is the same to the byte for the same input: nothing new lies on the shelf", async () => {
  const id = await profileCalled("Harbour Lights");
  const roster = await rosterOf(id);
  const blends = () =>
    roster.stock.shelf.filter(({ manifest }) => manifest?.generated === "blend").map(({ path }) => path);
  const count = blends().length;
  const { version } = roster.profile;
  const off = switchItems(roster, [roster.modOf.get(recipeOf(roster.profile.state)!.mod)!], false)!;
  value(await storeEdit(demo.context, id, version, off));
  expect((await rosterOf(id)).overlaps.standing.blend).toBe("due");
  value(await build(id));
  const after = await rosterOf(id);
  expect(after.overlaps.standing.blend).toBe("current");
  expect(after.stock.shelf.filter(({ manifest }) => manifest?.generated === "blend")).toHaveLength(count);
});
