import { readdir, readFile } from "node:fs/promises";
import { join } from "node:path";
import { unzipSync } from "fflate";
import { leaveLists, recipeOf } from "@/core/blend/decisions";
import { claimOfLineup } from "@/core/lineup/claim";
import { verdictOf } from "@/core/lineup/verdict";
import { switchItems } from "@/core/edit/edits";
import { stateAfter } from "@/core/edit/steps";
import type { ProfileId } from "@/core/model/ids";
import { makeRoster, type Roster } from "@/core/roster/roster";
import { allTies } from "@/core/roster/ties";
import { runChecks } from "@/core/check/run-checks";
import { blendView, type BlendView } from "@/formats/blend-view";
import { startGame } from "@/standin/game/start";
import { addReport } from "@/store/blend-reports";
import { findCurrentGame } from "@/store/games";
import { listProfiles } from "@/store/profiles";
import { getStock } from "./stock";
import { storeEdit } from "./operations/edit-profile";
import { buildBlend, buildListedBlend, readReports } from "./operations/blend";
import { acceptImport, exportLineup, keepImport } from "./operations/lineups";
import { step } from "./operations/history";
import { writeOrder } from "./operations/order-file";
import { readShelfOfGame } from "./operations/read-shelf";
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

const build = async (id: ProfileId, name: string | null = null) => {
  const { version } = (await storedProfile(demo.context, id))!;
  return buildBlend(demo.context, join(demo.folder, "incoming"), id, version, name);
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
  await startGame(definition, folders.game, (line) => log.push(line), { order: folders.order });
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

test("each build leaves a report: the newest first, twenty at most, gone with the profile’s", async () => {
  const id = await profileCalled("Harbour Lights");
  const reports = async () => value(await readReports(demo.context, id));
  const [newest, before] = await reports();
  const view = await viewOf(id);
  expect(newest).toMatchObject({ plugin: "Blend.skiff", lists: view.lists.length, game: "brinehollow" });
  expect(newest!.plugins.map(({ name }) => name)).toEqual(view.parts.map(({ plugin }) => plugin));
  expect(newest!.date > before!.date).toBe(true);
  for (let run = 0; run < 21; run++)
    await demo.context.db.transaction((tx) => addReport(tx, id, { ...newest!, lists: run }));
  const all = await reports();
  expect(all.map(({ lists }) => lists)).toEqual(Array.from({ length: 20 }, (_, at) => 20 - at));
  expect(value(await readReports(demo.context, await profileCalled("Long Descent")))).toEqual([]);
});

test("another name is that of the mod and of its plugin, which takes the seat of the one before", async () => {
  const id = await profileCalled("Harbour Lights");
  value(await build(id, "What Lies Below"));
  const roster = await rosterOf(id);
  const recipe = recipeOf(roster.profile.state)!;
  expect(recipe.name).toBe("What Lies Below");
  expect(roster.modOf.get(recipe.mod)!.mod!.name).toBe("What Lies Below");
  expect(roster.plugins.filter(({ mod }) => mod?.id === recipe.mod).map(({ id: name }) => name)).toEqual([
    "What Lies Below.skiff",
  ]);
  expect(roster.overlaps.standing.blend).toBe("current");
});

test("on a second machine the blend of a list is built as soon as it is all that is missing: the same bytes, and the list is proved", async () => {
  const id = await profileCalled("Harbour Lights");
  const lineup = value(await exportLineup(demo.context, id));
  const recipe = recipeOf((await rosterOf(id)).profile.state)!;
  const second = await makeDemoContext(60);
  try {
    const list = new TextEncoder().encode(JSON.stringify(lineup));
    const { importId } = value(await keepImport(second.context, list, "list.json"));
    const target = { way: "new" as const, name: "From a friend" };
    const { profileId } = value(await acceptImport(second.context, importId, { target, keepMine: [] }));
    const there = async () => {
      const { definition } = (await findCurrentGame(second.context.db))!;
      const stock = await getStock(second.context, (await findCurrentGame(second.context.db))!);
      return makeRoster(definition, (await storedProfile(second.context, profileId))!, stock);
    };
    const before = await there();
    expect(verdictOf(lineup, claimOfLineup(lineup, "JSON"), before)).toMatchObject({
      kind: "not-yet",
      lacks: [{ what: "missing", item: `${recipe.name} 1` }],
    });
    const found = runChecks({ roster: before, ties: allTies(before), onDisk: { order: null, holds: null } });
    expect(found.filter(({ subjects }) => subjects.some((each) => each.id === recipe.mod))).toEqual([]);

    // While the shelf is being read, which takes until what is built lies on it.
    const { reader } = second.context;
    let goOn = () => undefined as void;
    const isOn = new Promise<void>((resolve) => (goOn = resolve));
    const placesOf: typeof reader.placesOf = async (...asked) => {
      const places = await reader.placesOf(...asked);
      await isOn;
      return places;
    };
    const slow = { ...second.context, reader: { ...reader, placesOf } };
    const reading = readShelfOfGame(slow, () => undefined);
    const building = buildListedBlend(second.context, join(second.folder, "incoming"), profileId);
    const [shelfThere] = (await findCurrentGame(second.context.db))!.folders.shelves;
    while (!(await readdir(shelfThere!)).some((name) => name.startsWith(recipe.name)))
      await new Promise((resolve) => setTimeout(resolve, 10));
    goOn();
    await building;
    value(await reading);
    const after = await there();
    expect(verdictOf(lineup, claimOfLineup(lineup, "JSON"), after)).toEqual({ kind: "exact" });
    const bytes = async ({ context }: DemoContext, roster: Roster) => {
      const [shelf] = (await findCurrentGame(context.db))!.folders.shelves;
      return readFile(join(shelf!, roster.modOf.get(recipe.mod)!.mod!.path));
    };
    const [ours, theirs] = [await bytes(demo, await rosterOf(id)), await bytes(second, after)];
    expect(unzipSync(theirs)).toEqual(unzipSync(ours));

    // Once more, where something else is missing too: nothing is built.
    const gone = after.mods.find(({ id: mod, loads, mod: here }) => loads && here && mod !== recipe.mod)!;
    const lacking = {
      ...lineup,
      mods: lineup.mods.map((mod) => (mod.id === gone.id ? { ...mod, content: "0".repeat(64) } : mod)),
    };
    const again = value(
      await keepImport(second.context, new TextEncoder().encode(JSON.stringify(lacking)), "list.json"),
    );
    const other = value(
      await acceptImport(second.context, again.importId, {
        target: { way: "new", name: "Lacking" },
        keepMine: [],
      }),
    );
    const shelf = after.stock.shelf.length;
    await buildListedBlend(second.context, join(second.folder, "incoming"), other.profileId);
    const stock = await getStock(second.context, (await findCurrentGame(second.context.db))!);
    expect(stock.shelf).toHaveLength(shelf);
  } finally {
    await second.end();
  }
}, 120_000);

test("where the masters are too many, the lists without which they are few enough are offered", async () => {
  const roster = await rosterOf(await profileCalled("Long Descent"));
  const library = await libraryFor(demo.context, await game(), roster);
  const tight = { ...roster, game: { ...roster.game, maxMasters: 6 } };
  const before = blendView(tight, library);
  expect(before.refusal).toMatchObject({ code: "blend-masters", data: { most: 6 } });
  expect(before.toLeave.length).toBeGreaterThan(0);
  const after = blendView(
    {
      ...tight,
      profile: { ...roster.profile, state: stateAfter(roster.profile.state, leaveLists(before.toLeave))! },
    },
    library,
  );
  expect([after.refusal, after.toLeave]).toEqual([null, []]);
  expect(after.plugin!.masters).toBeLessThanOrEqual(6);
  expect(
    after.left
      .filter(({ why }) => why === "decided")
      .map(({ record }) => record)
      .sort(),
  ).toEqual([...before.toLeave].sort());
});
