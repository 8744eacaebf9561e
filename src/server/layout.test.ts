import {
  appendFileSync,
  existsSync,
  lstatSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  utimesSync,
  writeFileSync,
} from "node:fs";
import { join } from "node:path";
import { label } from "@/core/edit/steps";
import type { LayoutProgress } from "@/core/layout/preview";
import type { ProfileId } from "@/core/model/ids";
import { kitefall } from "@/standin/kitefall/definition";
import { startGame } from "@/standin/game/start";
import type { Context } from "./context";
import { storeEdit } from "./operations/edit-profile";
import { switchGame } from "./operations/games";
import { gatherFiles } from "./operations/gather";
import { acceptFiles, previewLayout, previewTakingBack, readDrift, setFilesAside } from "./operations/layout";
import { takeAllBack, writeOrder } from "./operations/order-file";
import { actsOn } from "./testing/acts-on";
import { snapshot } from "./testing/snapshot";
import { makeDemoContext, value, type DemoContext } from "./testing/demo-context";

let demo: DemoContext;
let context: Context;
let profile: ProfileId;
let game: string;
beforeEach(async () => {
  demo = await makeDemoContext(12);
  context = demo.context;
  profile = value(await switchGame(context, kitefall.id))!;
  game = join(demo.folder, kitefall.id, "game");
}, 60_000);
afterEach(() => demo.end());

const { situation, onDisk, gap, write, turnOff } = actsOn(() => ({ context, profile }));

async function start(): Promise<string[]> {
  const lines: string[] = [];
  await startGame(kitefall, game, (line) => lines.push(line));
  return lines;
}

test("writing the order lays the mods out, as looked at before; the game finds them; taking back leaves all as it was, the order file too", async () => {
  const before = snapshot(game);
  expect((await gap())!.layout).toMatchObject({ goes: [], changes: [], moves: [] });
  const preview = value(await previewLayout(context, profile));
  expect(preview).toMatchObject({ replaced: 0, removed: 0, aside: ["panels/evening-card.txt"] });
  expect(preview.mods.reduce((sum, { put }) => sum + put, 0)).toBe(preview.put);
  expect(snapshot(game)).toEqual(before);

  const told: LayoutProgress[] = [];
  const written = value(await write({ onProgress: (progress) => told.push(progress) }));
  expect(written.laid).toMatchObject({ files: preview.put, bytes: preview.bytes });
  expect(await gap()).toBeNull();
  expect(new Set(told.map(({ phase }) => phase))).toEqual(new Set(["unpack", "place"]));
  expect(told.filter(({ phase }) => phase === "place").at(-1)).toMatchObject({ done: told.at(-1)!.total });
  expect((await start()).find((line) => line.startsWith("packed: "))).toMatch(/^packed: 8 files in 2, 4 of/);
  expect(value(await previewLayout(context, profile))).toMatchObject({ put: 0, replaced: 0, removed: 0 });

  // What goes is told by mod, and where another one wins again.
  await turnOff("thin-seam");
  expect((await gap())!.layout).toMatchObject({ comes: [], goes: ["thin-seam"] });
  await turnOff("whole-sky");
  const less = value(await previewLayout(context, profile));
  expect(less.mods.find(({ mod }) => mod === "whole-sky")).toMatchObject({ removed: 2, put: 0 });
  value(await write());
  expect(await gap()).toBeNull();

  expect(value(await previewTakingBack(context))).toMatchObject({ back: ["panels/evening-card.txt"] });
  const back = value(await takeAllBack(context));
  expect(back.laid).toBeNull();
  expect(snapshot(game)).toEqual(before);
  // And again from there.
  value(await write());
  value(await takeAllBack(context));
  expect(snapshot(game)).toEqual(before);
});

test("an order that another program has written meanwhile stays when all is taken back", async () => {
  value(await write());
  const order = join(game, kitefall.orderFile.path);
  appendFileSync(order, "[x] somebody-elses\n");
  value(await takeAllBack(context));
  expect(readFileSync(order, "utf8")).toMatch(/somebody-elses/);
  expect(readdirSync(join(game, "setup"))).toEqual(["flight.json", "flightcard.txt"]);
  expect(readdirSync(join(game, "flying"))).toEqual(["kites"]);
});

test.each([
  ["while archives are unpacked", "unpack"],
  ["while files are put", "place"],
] as const)("cancelled %s it leaves all as it was, and the order unwritten", async (_, phase) => {
  await turnOff("seam-repair");
  value(await write());
  const before = snapshot(game);
  const laid = (await onDisk()).laid;
  const { version } = (await situation()).profile;
  const steps = [
    { kind: "switch" as const, list: "mods" as const, ids: ["seam-repair" as never], on: true },
    { kind: "switch" as const, list: "mods" as const, ids: ["whole-sky" as never], on: false },
  ];
  value(
    await storeEdit(context, profile, version, {
      label: label("switch-on", { item: "seam-repair", count: 1 }),
      steps,
    }),
  );
  let asked = 0;
  const cancelled = await write({
    onProgress: (progress) => {
      // As `cancelLayout` does, which waits for the database first.
      if (progress.phase === phase && progress.done === 2 && asked++ === 0)
        Atomics.store(context.laying.get(kitefall.id)!, 0, 1);
    },
  });
  expect(cancelled).toMatchObject({ ok: false, refusal: { code: "layout-cancelled" } });
  const contents = (all: Record<string, string>) =>
    Object.entries(all).map(([path, said]) => [path, said.split(" ").at(-1)]);
  expect(contents(snapshot(game))).toEqual(contents(before));
  expect((await onDisk()).laid).toEqual(laid);
  expect((await gap())!.layout).toMatchObject({ comes: ["seam-repair"], goes: ["whole-sky"] });
  value(await write());
  expect(await gap()).toBeNull();
});

test("what is refused is refused with its reason, and neither files nor order are touched", async () => {
  const before = snapshot(game);
  rmSync(join(game, "panels/evening-card.txt"));
  const shelf = join(demo.folder, kitefall.id, "shelf");
  const archive = readdirSync(shelf).find((name) => /^Whole Sky-/.test(name))!;
  const bytes = readFileSync(join(shelf, archive));
  const { mtimeMs } = lstatSync(join(shelf, archive));
  writeFileSync(join(shelf, archive), "no archive any more");
  utimesSync(join(shelf, archive), mtimeMs / 1000, mtimeMs / 1000);
  expect(await write()).toMatchObject({ ok: false, refusal: { code: "layout-unreadable" } });
  expect(readFileSync(join(game, kitefall.orderFile.path), "utf8")).toBeDefined();
  expect(Object.keys(snapshot(game)).sort()).toEqual(
    Object.keys(before)
      .filter((path) => path !== "panels/evening-card.txt")
      .sort(),
  );
  writeFileSync(join(shelf, archive), bytes);
  value(await write());
  expect(await gap()).toBeNull();
});

test("an order that was changed after laying out was cancelled is the one that comes back", async () => {
  const cancelled = await write({
    onProgress: () => {
      Atomics.store(context.laying.get(kitefall.id)!, 0, 1);
    },
  });
  expect(cancelled).toMatchObject({ ok: false });
  const order = join(game, kitefall.orderFile.path);
  appendFileSync(order, "[x] written-later\n");
  const before = snapshot(game);
  value(await write());
  expect(readFileSync(order, "utf8")).not.toMatch(/\[x\] written-later/);
  value(await takeAllBack(context));
  expect(snapshot(game)).toEqual(before);
});

test("of what the demo has laid out nothing is left either, nor of an order that was written after that", async () => {
  profile = value(await switchGame(context, "millwright-vale"))!;
  game = join(demo.folder, "millwright-vale/game");
  expect(readdirSync(game)).toContain("packages");
  value(await write());
  expect(readdirSync(join(game, "players/hazel"))).toContain("packages.xml");
  value(await takeAllBack(context));
  expect(readdirSync(game)).not.toContain("packages");
  expect(readdirSync(join(game, "setup"))).toEqual(["view.xml"]);
  expect(readdirSync(join(game, "players/hazel"))).toEqual(["played.txt"]);
});

test("nothing outside of the game’s folder is set aside, whatever is asked for", async () => {
  const outside = join(demo.folder, kitefall.id, "outside.txt");
  writeFileSync(outside, "mine");
  symlinkSync(join(demo.folder, kitefall.id), join(game, "flying/linked"));
  value(
    await setFilesAside(context, ["../outside.txt", "flying/../../outside.txt", "flying/linked/outside.txt"]),
  );
  expect(readFileSync(outside, "utf8")).toBe("mine");
  expect(value(await readDrift(context)).added.some(({ path }) => path.includes("outside"))).toBe(false);
});

test("a game that reads a list of what to open has nothing laid out", async () => {
  profile = value(await switchGame(context, "brinehollow"))!;
  expect(await previewLayout(context, profile)).toMatchObject({
    ok: false,
    refusal: { code: "layout-by-list" },
  });
  const before = readdirSync(join(demo.folder, "laid-out"));
  const written = value(await write());
  expect(written.laid).toBeUndefined();
  expect(readdirSync(join(demo.folder, "laid-out"))).toEqual(before);
});

describe("what is not as Seating left it", () => {
  const drift = async () => value(await readDrift(context));
  const by = (path: string) => join(game, path);
  const leftover = ["flying/kites/Old Streamer/main.dat", "flying/kites/Old Streamer/read me.txt"];

  test("leftovers are told before anything is laid out, set aside, and back once all is taken back; or are the bare game’s", async () => {
    const before = snapshot(game);
    expect(await drift()).toEqual({
      changed: [],
      gone: [],
      added: ["panels/evening-card.txt", ...leftover].sort().map((path) => ({
        path,
        size: lstatSync(by(path)).size,
      })),
      bareAt: null,
    });
    value(await setFilesAside(context, leftover));
    expect((await drift()).added.map(({ path }) => path)).toEqual(["panels/evening-card.txt"]);
    expect(readdirSync(by("flying/kites/Old Streamer"))).toEqual([]);
    value(await write());
    expect((await start()).some((line) => /^open flying: 108 files$/.test(line))).toBe(true);
    expect((await drift()).added).toEqual([]);
    value(await takeAllBack(context));
    expect(snapshot(game)).toEqual(before);

    value(await acceptFiles(context, [...leftover, "panels/evening-card.txt"], true));
    expect(await drift()).toMatchObject({ added: [], bareAt: expect.stringMatching(/^20\d\d-/) as string });
    appendFileSync(by(leftover[0]!), "more");
    expect((await drift()).added.map(({ path }) => path)).toEqual([leftover[0]]);
  });

  test("what was changed and deleted is told; it is accepted as it is, or put again, and what it was changed to is kept", async () => {
    value(await write());
    const [first, second, third] = readdirSync(by("flying/fields"))
      .filter((name) => name.startsWith("plain-"))
      .map((name) => `flying/fields/${name}`);
    const was = readFileSync(by(first!));
    appendFileSync(by(first!), "by hand");
    appendFileSync(by(second!), "by hand");
    rmSync(by(third!));
    expect(await drift()).toMatchObject({
      changed: [{ path: first }, { path: second }],
      gone: [{ path: third }],
    });
    value(await acceptFiles(context, [second!], false));
    expect((await drift()).changed.map(({ path }) => path)).toEqual([first]);
    value(await writeOrder(context, profile, null, { putAgain: true }));
    expect(await drift()).toMatchObject({ changed: [], gone: [] });
    expect(readFileSync(by(first!))).toEqual(was);
    const kept = readdirSync(join(demo.folder, "laid-out"), { recursive: true, encoding: "utf8" });
    expect(kept.filter((path) => path.endsWith(`/${first}`))).toHaveLength(1);
  });

  test("what tools wrote and somebody changed is gathered into a mod of one’s own, and lies there afterwards as it did", async () => {
    value(await setFilesAside(context, leftover));
    value(await write());
    const changed = "panels/evening-card.txt";
    writeFileSync(by(changed), "by hand");
    mkdirSync(by("flying/kites/baked"));
    writeFileSync(by("flying/kites/baked/all.dat"), "written by a tool");
    const paths = [changed, "flying/kites/baked/all.dat"];
    const { version } = (await situation()).profile;
    const what = { paths, name: "Evening Work" };
    value(await gatherFiles(context, join(demo.folder, "incoming"), profile, version, what));
    const { roster, stock } = await situation();
    expect(roster.mods.at(-1)).toMatchObject({ id: "evening-work", loads: true });
    expect(stock.ownWork).toContain("evening-work");
    expect(existsSync(by("flying/kites/baked/all.dat"))).toBe(false);
    value(await write());
    expect(await drift()).toMatchObject({ changed: [], gone: [], added: [] });
    expect([readFileSync(by(changed), "utf8"), readFileSync(by(paths[1]!), "utf8")]).toEqual([
      "by hand",
      "written by a tool",
    ]);
    // Taken back, what the tool wrote is in the mod alone.
    value(await takeAllBack(context));
    expect(existsSync(by("flying/kites/baked/all.dat"))).toBe(false);

    const next = (await situation()).profile.version;
    expect(
      await gatherFiles(context, join(demo.folder, "incoming"), profile, next, {
        paths: leftover,
        name: "Evening work",
      }),
    ).toMatchObject({ ok: false, refusal: { code: "mod-name-taken" } });
    for (const path of [
      "base/kitefall.pak",
      "../outside",
      "flying/../base/kitefall.pak",
      "flying/nothing.dat",
    ])
      expect(
        await gatherFiles(context, join(demo.folder, "incoming"), profile, next, {
          paths: [path],
          name: "Other",
        }),
      ).toMatchObject({ ok: false, refusal: { code: "cannot-gather", data: { path } } });
  });
});

test("where each mod has a folder of its own, what a tool left in one becomes a mod, and is opened as one", async () => {
  profile = value(await switchGame(context, "millwright-vale"))!;
  game = join(demo.folder, "millwright-vale/game");
  value(await write());
  mkdirSync(join(game, "packages/baked/deep"), { recursive: true });
  const paths = ["packages/baked/all.dat", "packages/baked/deep/more.dat"];
  for (const path of paths) writeFileSync(join(game, path), "written by a tool");
  const gather = async (which: readonly string[], name: string) => {
    const { version } = (await situation()).profile;
    return gatherFiles(context, join(demo.folder, "incoming"), profile, version, { paths: which, name });
  };
  writeFileSync(join(game, "packages/clear-panels/cache.dat"), "its own");
  expect(await gather(["packages/clear-panels/cache.dat"], "Cache")).toMatchObject({ ok: false });
  value(await gather(paths, "Baked Mills"));
  expect(existsSync(join(game, "packages/baked"))).toBe(false);
  value(await write());
  expect(readFileSync(join(game, "packages/baked-mills/deep/more.dat"), "utf8")).toBe("written by a tool");
  expect(value(await readDrift(context)).added.map(({ path }) => path)).toEqual([
    "packages/clear-panels/cache.dat",
  ]);
});
