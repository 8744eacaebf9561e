import { mkdtemp, readdir, readFile, rm, writeFile } from "node:fs/promises";
import { createHash } from "node:crypto";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { ContentLibrary } from "@/core/conflict/content-library";
import { Conflicts } from "@/core/conflict/conflicts";
import { aboutKey } from "@/core/conflict/about";
import { overlapsIn } from "@/core/conflict/overlaps";
import { everyConflict, surveyOf } from "@/core/conflict/survey";
import type { TestConflicts } from "@/core/testing/contested";
import { namesToWrite } from "@/core/check/order-file";
import { acceptEdit, proposeOrder } from "@/core/edit/accept";
import { emptyStock, makeRoster, type Roster } from "@/core/roster/roster";
import { applySteps } from "@/core/edit/steps";
import type { ProfileState } from "@/core/model/profile";
import { readPluginFiles } from "@/disk/read-mod";
import { readShelf } from "@/disk/read-shelf";
import { modsToLay, performLayout, planLayout, planTakingBack } from "@/disk/layout/lay-out";
import { gameFiles, orderContents, readIfThere, writeGameFiles } from "@/disk/game-files";
import { brinehollow } from "./brinehollow/definition";
import { catalogue } from "./demo/catalogue";
import { invent } from "./demo/invent";
import { makeDemo, type DemoPlan } from "./demo/make-demo";
import { placesUsed } from "@/core/roster/roster";
import { sharedBy } from "@/core/edit/remember";
import { kitefall } from "./kitefall/definition";
import { millwright } from "./millwright/definition";
import { makeRandom } from "../core/random";
import type { GameDefinition } from "@/core/model/game";
import { holdsOf, writeHolds, type Holds } from "@/formats/holds";
import { startGame } from "./game/start";
import { Stopped } from "./game/stopped";
import { aMod, aPlugin, aProfile } from "@/core/testing/ids";

let out: string;
beforeAll(async () => {
  out = await mkdtemp(join(tmpdir(), "seating-demo-"));
  await makeDemo(out, 7, 60);
});
afterAll(() => rm(out, { recursive: true, force: true }));

const game = () => join(out, "brinehollow/game");
const shelf = () => join(out, "brinehollow/shelf");

async function treeHash(folder: string): Promise<string> {
  const hash = createHash("sha256");
  const entries = await readdir(folder, { recursive: true, withFileTypes: true });
  const paths = entries.filter((entry) => entry.isFile()).map((entry) => join(entry.parentPath, entry.name));
  for (const path of paths.sort()) hash.update(path.slice(folder.length)).update(await readFile(path));
  return hash.digest("hex");
}

/** Writes what a game reads, as the server does. */
async function writeSetup(
  game: GameDefinition,
  folder: string,
  names: readonly string[],
  holds: Holds,
  order = folder,
) {
  const files = gameFiles(game, { order });
  const before = await readIfThere(files.order);
  return writeGameFiles(game, { game: folder }, [
    { path: files.holds, contents: writeHolds(holds) },
    { path: files.order, contents: orderContents(game, names, before.ok ? before.value : null) },
  ]);
}

const placesAt = (folder: string) => ({ game: folder, own: join(out, "own") });

/** Lays out what a game finds in its own folder, as the server does. */
async function layOut(roster: Roster, folder: string): Promise<void> {
  const { game, stock } = roster;
  const known = new Map(stock.shelf.map((mod) => [mod.content, mod]));
  const laying = modsToLay(roster, (content) => known.get(content)?.contentFiles ?? []);
  const layout = planLayout(game, laying, placesAt(folder));
  if (!layout.ok) throw new Error(JSON.stringify(layout.refusal));
  const pathOf = (content: string) => join(out, game.id, "shelf", known.get(content)!.path);
  expect(await performLayout(game, placesAt(folder), layout.value, pathOf)).toMatchObject({ ok: true });
}

const takeAllBack = (folder: string) =>
  expect(planTakingBack(placesAt(folder), true)).toMatchObject({ ok: true });

describe("the demo", () => {
  test("the same seed gives the same bytes, another seed others", async () => {
    const again = await mkdtemp(join(tmpdir(), "seating-demo-"));
    try {
      await makeDemo(again, 7, 60);
      expect(await treeHash(again)).toBe(await treeHash(out));
      await rm(again, { recursive: true });
      await makeDemo(again, 8, 60);
      expect(await treeHash(again)).not.toBe(await treeHash(out));
    } finally {
      await rm(again, { recursive: true, force: true });
    }
  });

  test("at least 60 mods and 70 plugins, all readable but for the faults it is meant to have", async () => {
    const { mods } = await readShelf(brinehollow, [shelf()], []);
    const sound = mods.filter((mod) => !mod.problem);
    const plugins = sound.flatMap((mod) => mod.plugins);
    expect(sound.length).toBeGreaterThanOrEqual(60);
    expect(plugins.length).toBeGreaterThanOrEqual(70);
    expect(
      mods
        .filter((mod) => mod.problem)
        .map((mod) => mod.problem!.code)
        .sort(),
    ).toEqual(["no-content", "not-a-zip", "path-unsafe"]);
    expect(plugins.filter((plugin) => plugin.problem).map((plugin) => plugin.name)).toEqual([
      "Sounding Line.plank",
    ]);
  });

  test("it grows: names stay apart and masters are there at 320 mods", () => {
    const mods = [...catalogue, ...invent(makeRandom(7), catalogue, 320 - catalogue.length)];
    const names = mods.flatMap((mod) => mod.plugins.map((plugin) => plugin.name));
    expect(new Set(mods.map((mod) => mod.id)).size).toBe(320);
    expect(new Set(names).size).toBe(names.length);
    const known = new Set([
      ...names,
      ...brinehollow.builtIn,
      ...brinehollow.expansions.flatMap((each) => each.plugins),
    ]);
    for (const { plugins } of mods)
      for (const { masters } of plugins) for (const master of masters) expect(known).toContain(master);
  });
});

describe("the stand-in game", () => {
  const start = async () => {
    const lines: string[] = [];
    const stopped = await startGame(brinehollow, game(), (line) => lines.push(line)).then(
      () => null,
      (error: unknown) => (error instanceof Stopped ? error.message : Promise.reject(error as Error)),
    );
    return { lines, stopped };
  };

  async function rosterOf(change: (state: ProfileState) => ProfileState = (state) => state): Promise<Roster> {
    const plan = JSON.parse(await readFile(join(out, "demo.json"), "utf8")) as DemoPlan;
    const { mods } = await readShelf(brinehollow, [shelf()], []);
    const base = await readPluginFiles(brinehollow, join(game(), "base"), brinehollow.builtIn);
    const { name, purpose, state } = plan.games[0]!.profiles[0]!;
    const profile = {
      id: aProfile("p"),
      game: "brinehollow",
      name,
      purpose,
      version: 1,
      state: change(state),
    };
    return makeRoster(brinehollow, profile, {
      base,
      owned: ["sunken-city", "lamplighters"],
      shelf: mods,
      kept: [],
      ownWork: [],
      identified: [],
      books: [],
    });
  }

  async function write(roster: Roster, names = namesToWrite(roster)): Promise<void> {
    expect(await writeSetup(brinehollow, game(), names, holdsOf(roster, shelf()))).toMatchObject({
      ok: true,
    });
  }

  const turn =
    (on: boolean, ...ids: string[]) =>
    (state: ProfileState): ProfileState => {
      const applied = applySteps(state, [{ kind: "switch", list: "plugins", ids: ids.map(aPlugin), on }]);
      return applied.ok ? applied.value.state : state;
    };
  /** The demo's profile with its missing expansion and switched-off master seen to, and the proposal accepted. */
  async function soundRoster(): Promise<Roster> {
    const roster = await rosterOf((state) =>
      turn(false, "Frozen Galleries.plank")(turn(true, "Divers for Hire.plank")(state)),
    );
    const applied = applySteps(
      roster.profile.state,
      acceptEdit(roster, proposeOrder(roster, "plugins"))!.steps,
    );
    if (!applied.ok) throw new Error(applied.refusal.code);
    return rosterOf(() => applied.value.state);
  }

  test("runs once the findings are seen to and the proposal is accepted", async () => {
    const roster = await soundRoster();
    await write(roster);
    const { lines, stopped } = await start();
    expect(stopped).toBeNull();
    expect(lines.at(-1)).toBe("running");
    expect(lines.filter((line) => line.startsWith("load "))).toHaveLength(
      roster.plugins.filter((plugin) => plugin.loads).length,
    );
  });

  test("opens what the profile does not leave out: a file less, a plugin less, and whoever needs that stops it", async () => {
    const roster = await soundRoster();
    const without = (...leftOut: { mod: string; path: string }[]) =>
      rosterOf(() => ({
        ...roster.profile.state,
        leftOut: leftOut.map(({ mod, path }) => ({ mod: aMod(mod), path })),
      }));
    const files = (lines: readonly string[]) =>
      Number(/open (?:\S+\/)?glass-tides\S*: (\d+) files/i.exec(lines.join("\n"))?.[1]);
    await write(roster);
    const all = files((await start()).lines);
    const mod = roster.modOf.get("glass-tides")!.mod!;
    const paths = (await readShelf(brinehollow, [shelf()], [])).mods.find(
      ({ id }) => id === mod.id,
    )!.contentFiles!;
    const texture = paths.find(({ path }) => path.includes("/"))!.path.toLowerCase();
    await write(await without({ mod: mod.id, path: texture }));
    const fewer = await start();
    expect([files(fewer.lines), fewer.stopped]).toEqual([all - 1, null]);
    const plugless = await without({ mod: mod.id, path: "glass tides.plank" });
    expect(plugless.pluginOf.get("Glass Tides.plank")!.loads).toBe(false);
    await write(plugless);
    expect((await start()).stopped).toMatch(/needs Glass Tides\.plank, which is missing$/);
  });

  test("stops at a master that loads later, with the line that says why", async () => {
    const roster = await soundRoster();
    await write(roster, namesToWrite(roster).reverse());
    expect((await start()).stopped).toMatch(
      /\(line \d+ of saves\/lading\.lst\) (needs .+, which loads later|is foundation and stands after ordinary ones)/,
    );
    const names = namesToWrite(roster);
    const [a, b] = [names.indexOf("Glass Tides.plank"), names.indexOf("Glass Tides - Reefs.skiff")];
    [names[a], names[b]] = [names[b]!, names[a]!];
    await write(roster, names);
    expect((await start()).stopped).toMatch(
      /^Glass Tides - Reefs\.skiff \(line \d+ .+\) needs Glass Tides\.plank, which loads later$/,
    );
  });

  test("stops at a missing master, a plugin that no mod brings, and an unreadable plugin", async () => {
    const roster = await rosterOf();
    await write(roster, ["Frozen Galleries.plank"]);
    expect((await start()).stopped).toMatch(/needs Cold Trench\.keel, which is missing$/);
    await write(roster, ["Nowhere.plank"]);
    expect((await start()).stopped).toMatch(/^Nowhere\.plank is listed in .+, but no mod/);
    await write(roster, ["Sounding Line.plank"]);
    expect((await start()).stopped).toMatch(/^Sounding Line\.plank .+ cannot be read: it is cut short/);
  });

  test("stops at a mod that cannot be opened, and at order files that are not there", async () => {
    const roster = await soundRoster();
    await write(roster);
    const holds = join(game(), "saves/holds.json");
    const text = await readFile(holds, "utf8");
    await writeFile(holds, text.replace("Tidal Core-2.1.0.zip", "Broken Barnacles-0.9.zip"));
    expect((await start()).stopped).toMatch(/^Broken Barnacles-0\.9\.zip cannot be opened/);
    await writeFile(holds, "{");
    expect((await start()).stopped).toMatch(/^saves\/holds\.json is no JSON/);
    await rm(holds);
    expect((await start()).stopped).toBe("saves/holds.json is not there");
  });

  test("stops at one plugin more than it has places for", async () => {
    const roster = await soundRoster();
    await write(roster);
    const small = {
      ...brinehollow,
      counting: brinehollow.counting.map((each) => ({ ...each, cap: each.id === "light" ? 3 : each.cap })),
    };
    await expect(startGame(small, game(), () => undefined)).rejects.toThrow(
      /is one light plugin too many: 3 can load/,
    );
  });
});

describe("the game that has mods only", () => {
  const folder = () => join(out, "kitefall-cup/game");
  async function clubEvenings(): Promise<TestConflicts> {
    const plan = JSON.parse(await readFile(join(out, "demo.json"), "utf8")) as DemoPlan;
    const { mods } = await readShelf(kitefall, [join(out, "kitefall-cup/shelf")], []);
    const { name, purpose, state } = plan.games.find((each) => each.id === kitefall.id)!.profiles[0]!;
    const stock = {
      base: [],
      owned: [],
      shelf: mods,
      kept: [],
      ownWork: [],
      identified: [],
      books: [],
    };
    const roster = makeRoster(
      kitefall,
      { id: aProfile("k"), game: kitefall.id, name, purpose, version: 1, state },
      stock,
    );
    const library = new ContentLibrary(kitefall);
    for (const { content, contentFiles, manifest } of mods)
      if (content !== null) library.learn({ content, files: contentFiles!, records: [] }, manifest);
    const conflicts = new Conflicts(library);
    conflicts.show(roster);
    return { roster: { ...roster, overlaps: overlapsIn(conflicts, roster) }, conflicts };
  }

  test("has no plugins and no places, but mods whose files meet a lot, and some that wait to be seated", async () => {
    const { roster } = await clubEvenings();
    expect(roster.plugins).toEqual([]);
    expect(placesUsed(roster)).toEqual([]);
    expect(roster.overlaps.mods.shared.length).toBeGreaterThan(40);
    expect(roster.mods.filter((mod) => mod.section?.unseated).length).toBeGreaterThan(0);
    expect(sharedBy(roster, "mods", "seam-repair").size).toBeGreaterThan(0);
  });

  test("has conflicts of every kind: equal, unequal, covered, copied, decided over a third, packed under loose, undecided, forty at one file", async () => {
    const { roster, conflicts } = await clubEvenings();
    const { items, rows, open } = surveyOf(conflicts, roster, "files", everyConflict);
    const rowOf = (path: string) => rows.find(({ key }) => key === path)!;
    const itemOf = (id: string) => items.find((each) => each.id === id)!;
    expect(open).toBeGreaterThan(10);
    expect(rows.filter(({ equal }) => equal)).not.toHaveLength(0);
    expect(rowOf("menus/evening-card.txt").providers.length).toBeGreaterThan(39);
    expect(itemOf("thin-seam")).toMatchObject({ files: 2, covered: true });
    expect(itemOf("bridle-kit-again").copyOf).toBe("bridle-kit");
    expect(rowOf("fields/pier/lamps.dat")).toMatchObject({
      providers: ["pier-lights", "pier-crowd-by-lamplight"],
      decided: true,
    });
    const { providers } = aboutKey(conflicts, roster, "files", "skies/plain-0.dat")!;
    expect(providers[0]).toMatchObject({ id: "whole-sky", container: "skies/whole-sky.spool" });
  });

  test("is put right by a proposal, and starts with the order that is written", async () => {
    const { roster, conflicts } = await clubEvenings();
    const proposal = proposeOrder(roster, "mods");
    expect(proposal.moves.length).toBeGreaterThan(0);
    const applied = applySteps(roster.profile.state, acceptEdit(roster, proposal)!.steps);
    if (!applied.ok) throw new Error(applied.refusal.code);
    const next = makeRoster(kitefall, { ...roster.profile, state: applied.value.state }, roster.stock);
    const names = namesToWrite(next);
    expect(names.indexOf("bridle-kit")).toBeLessThan(names.indexOf("seam-repair"));
    const holds = holdsOf(next, join(out, "kitefall-cup/shelf"));
    await writeSetup(kitefall, folder(), names, holds);
    await layOut(next, folder());
    expect(await readFile(join(folder(), "setup/flightcard.txt"), "utf8")).toMatch(/^\[x\] bridle-kit\n/m);
    const lines: string[] = [];
    await startGame(kitefall, folder(), (line) => lines.push(line));
    expect(lines.at(-1)).toBe("running");
    const packed = conflicts.files;
    conflicts.show(next);
    const inside = [...packed.provided()].filter((key) => packed.providedBy(key).some((each) => each.packed));
    const hidden = inside.filter((key) => !packed.providedBy(key).at(-1)!.packed);
    expect(hidden.length).toBeGreaterThan(3);
    expect(lines).toContain(
      `packed: ${inside.length} files in 2, ${hidden.length} of them hidden by loose ones`,
    );
    expect(lines.some((line) => /^open flying: [1-9]\d+ files$/.test(line))).toBe(true);
    const card = join(folder(), "panels/evening-card.txt");
    expect(await readFile(card, "utf8")).not.toMatch(/Nobody flies/);
    takeAllBack(folder());
    expect(await readFile(card, "utf8")).toMatch(/Nobody flies/);
  });
});

describe("the game whose mods lie as folders of their own", () => {
  const folder = () => join(out, "millwright-vale/game");

  test("opens those that its order names, tells the others, and stops where one is not there", async () => {
    const plan = JSON.parse(await readFile(join(out, "demo.json"), "utf8")) as DemoPlan;
    const { mods } = await readShelf(millwright, [join(out, "millwright-vale/shelf")], []);
    const { name, purpose, state } = plan.games.find((each) => each.id === millwright.id)!.profiles[0]!;
    const profile = { id: aProfile("m"), game: millwright.id, name, purpose, version: 1, state };
    const roster = makeRoster(millwright, profile, { ...emptyStock, owned: ["market-days"], shelf: mods });
    const names = namesToWrite(roster);
    const holds = holdsOf(roster, join(out, "millwright-vale/shelf"));
    const write = (which: readonly string[]) =>
      writeSetup(millwright, folder(), which, holds, join(folder(), "players/rowan"));
    await write(names);
    const start = async (profile: string | null = "rowan") => {
      const lines: string[] = [];
      await startGame(millwright, folder(), (line) => lines.push(line), { profile });
      return lines;
    };
    await expect(start(null)).rejects.toThrow(/several profiles, and none was named: hazel, rowan/);
    await expect(start("hazel")).rejects.toThrow(/packages\.xml is not there/);
    await expect(start()).rejects.toThrow(/ is listed in packages\.xml, but packages\/.+ is not there$/);
    await layOut(roster, folder());
    const lines = await start();
    expect(lines.filter((line) => /^open packages\/.+: \d+ files$/.test(line))).toHaveLength(names.length);
    expect(lines).toContain("Valley to open: three-weirs.vale");
    expect(lines.at(-1)).toBe("running");
    await write(names.slice(1));
    expect(await start()).toContain(`packages/${names[0]} is not listed, and not opened`);
    takeAllBack(folder());
    expect((await readdir(folder())).includes("packages")).toBe(false);
  });
});
