import { spawn } from "node:child_process";
import { once } from "node:events";
import fs, {
  appendFileSync,
  chmodSync,
  cpSync,
  existsSync,
  lstatSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  readlinkSync,
  rmSync,
  statSync,
  symlinkSync,
  utimesSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { addAbsentMods, emptyState } from "@/core/edit/arrivals";
import { laidAs } from "@/core/layout/laid-as";
import type { GameDefinition } from "@/core/model/game";
import type { Laying } from "@/core/model/placement";
import type { ProfileState } from "@/core/model/profile";
import { makeRandom } from "@/core/random";
import { foldName } from "@/core/roster/fold";
import { emptyStock, type Roster, type Stock } from "@/core/roster/roster";
import { drawnState } from "@/core/testing/drawn-state";
import { rosterOfState } from "@/core/testing/roster";
import { holdsOf } from "@/formats/holds";
import { makeDemo } from "@/standin/demo/make-demo";
import { openMod } from "@/standin/game/mod";
import { brinehollow } from "@/standin/brinehollow/definition";
import { kitefall } from "@/standin/kitefall/definition";
import { millwright } from "@/standin/millwright/definition";
import { readShelf } from "../read-shelf";
import { sha256Of, shortHash } from "../digest";
import { markOf } from "../process-mark";
import { lookAtDrift, setAside } from "./drift";
import { FileStore } from "./file-store";
import {
  modsToLay,
  performLayout,
  planLayout,
  planTakingBack,
  readLaid,
  type Layout,
  type LayoutPlaces,
} from "./lay-out";

const root = mkdtempSync(join(tmpdir(), "seating-layout-"));
afterAll(() => rmSync(root, { recursive: true, force: true }));

/** As their definitions would say it of games that read the disk. */
const layings: Readonly<Record<string, Laying>> = {
  [kitefall.id]: {
    kind: "merged",
    folder: "base/Kites",
    elsewhere: [{ from: "menus/", to: "panels" }],
    written: ["skies/"],
  },
  [millwright.id]: { kind: "folders", folder: "packages", name: "{id}-{version}" },
  [brinehollow.id]: { kind: "merged", folder: "base" },
};
const games = [brinehollow, kitefall, millwright].map((game): GameDefinition => ({
  ...game,
  placement: layings[game.id]!,
}));
const kites = games.find(({ id }) => id === kitefall.id)!;
const stocks = new Map<string, Stock>();
const shelfOf = (game: GameDefinition) => join(root, "demo", game.id, "shelf");

const { below, pick, chance } = makeRandom(3);
const random = { below, pick, chance };

beforeAll(async () => {
  await makeDemo(join(root, "demo"), 7, 40);
  for (const game of games) {
    const { mods } = await readShelf(game, [shelfOf(game)], []);
    stocks.set(game.id, { ...emptyStock, owned: game.expansions.map(({ id }) => id), shelf: mods });
  }
}, 120_000);

/** A folder with files of the game itself, some of them in the way of mods under other spellings, and a place for Seating. */
function placesFor(game: GameDefinition, name: string): LayoutPlaces {
  const places = { game: join(root, name, "game"), own: join(root, name, "own") };
  const put = (path: string, mode = 0o644) => {
    const at = join(places.game, path);
    mkdirSync(dirname(at), { recursive: true });
    writeFileSync(at, `of the game: ${path}`);
    chmodSync(at, mode);
    utimesSync(at, 1_600_000_000 + below(1000), 1_600_000_000 + below(1_000_000) + 0.25);
  };
  put(game.sign);
  put("readme.txt", 0o600);
  mkdirSync(join(places.game, "empty"), { recursive: true });
  const laying = layings[game.id]!;
  const paths = stocks
    .get(game.id)!
    .shelf.flatMap(({ contentFiles = [] }) => contentFiles.map(({ path }) => path));
  if (laying.kind === "merged")
    for (const path of [...new Set(paths.map((each) => foldName(game, each)))].filter(() => chance(0.1)))
      put(join(laying.folder, path), chance(0.5) ? 0o755 : 0o644);
  for (const folder of foldersIn(places.game)) utimesSync(folder, 1_500_000_000, 1_500_000_000 + below(1000));
  return places;
}

const foldersIn = (folder: string): string[] => [
  ...readdirSync(folder, { withFileTypes: true })
    .filter((each) => each.isDirectory())
    .flatMap(({ name }) => foldersIn(join(folder, name))),
  folder,
];

/** Everything in a folder: names, kinds, rights, times to the microsecond, and contents by their hashes. */
function snapshot(folder: string): Record<string, string> {
  const told: Record<string, string> = {};
  const walk = (path: string) => {
    const at = join(folder, path);
    const info = lstatSync(at);
    const facts = `${info.mode.toString(8)} ${Math.round(info.mtimeMs * 1000)}`;
    told[path || "."] = info.isSymbolicLink()
      ? `link ${readlinkSync(at)}`
      : info.isDirectory()
        ? `folder ${facts}`
        : `file ${facts} ${sha256Of(readFileSync(at))}`;
    if (info.isDirectory()) for (const name of readdirSync(at)) walk(join(path, name));
  };
  walk("");
  return told;
}

/** What lies in a folder as a game compares names: of each file its contents. */
function contentsOf(game: GameDefinition, folder: string): Map<string, string> {
  const found = new Map<string, string>();
  const walk = (path: string) => {
    for (const each of readdirSync(join(folder, path), { withFileTypes: true })) {
      const below = path === "" ? each.name : `${path}/${each.name}`;
      if (each.isDirectory()) walk(below);
      else {
        const key = foldName(game, below);
        if (found.has(key)) throw new Error(`${below} lies there under two names`);
        found.set(key, sha256Of(readFileSync(join(folder, below))));
      }
    }
  };
  walk("");
  return found;
}

const rosterOf = (game: GameDefinition, state: ProfileState): Roster =>
  rosterOfState(game, stocks.get(game.id)!, state);

/** What has to lie there, worked out apart: each mod opened as the stand-in games do, and its files copied over those before. */
async function wantedIn(game: GameDefinition, roster: Roster, base: ReadonlyMap<string, string>) {
  const laying = layings[game.id]!;
  const own = new Map<string, { readonly path: string; readonly number: number; readonly sha256: string }>();
  const idOf = new Map(roster.mods.map(({ mod }) => [mod?.path, mod!]));
  for (const [at, held] of holdsOf(roster, shelfOf(game)).mods.entries()) {
    const { taken } = await openMod(game, join(shelfOf(game), held.path), held);
    const mod = idOf.get(held.path)!;
    for (const file of taken) {
      const moved = laying.elsewhere?.find(({ from }) => foldName(game, file.path).startsWith(from));
      const path = moved
        ? `${moved.to}/${file.path.slice(moved.from.length)}`
        : laying.kind === "merged"
          ? `${laying.folder}/${file.path}`
          : `${laying.folder}/${mod.id}-${mod.version}/${file.path}`;
      own.set(foldName(game, path), { path, number: at + 1, sha256: sha256Of(await file.read()) });
    }
  }
  const all = new Map(base);
  for (const [key, { path, number, sha256 }] of own) {
    const isPacked = game.containers?.some(({ extension }) => path.toLowerCase().endsWith(extension));
    if (!isPacked) all.set(key, sha256);
    else {
      const slash = path.lastIndexOf("/") + 1;
      const name = `${String(number).padStart(4, "0")}-${path.slice(slash)}`;
      all.set(foldName(game, path.slice(0, slash) + name), sha256);
    }
  }
  return all;
}

const filesOf = (game: GameDefinition) => {
  const known = new Map(stocks.get(game.id)!.shelf.map((mod) => [mod.content, mod.contentFiles ?? []]));
  return (content: string) => known.get(content)!;
};
const pathOf = (game: GameDefinition) => {
  const known = new Map(stocks.get(game.id)!.shelf.map((mod) => [mod.content, mod.path]));
  return (content: string) => join(shelfOf(game), known.get(content)!);
};

/** Unpacks what a layout puts, by laying it out elsewhere. */
async function fillStore(game: GameDefinition, { own }: LayoutPlaces, layout: Layout): Promise<void> {
  const aside = join(root, "filling");
  mkdirSync(join(aside, dirname(game.sign)), { recursive: true });
  const acts = layout.plan.acts.filter(({ does }) => does === "put");
  const folders = [...new Set(acts.map(({ path }) => dirname(path)))];
  for (const folder of folders) mkdirSync(join(aside, folder), { recursive: true });
  const plan = { ...layout.plan, acts };
  const filled = await performLayout(game, { game: aside, own }, { ...layout, plan }, pathOf(game));
  if (!filled.ok) throw new Error(filled.refusal.code);
  rmSync(aside, { recursive: true });
}

/** A drawn profile of which no mod has a file where another one has a folder. */
function sound(game: GameDefinition): ProfileState {
  for (;;) {
    const state = drawnState(random, game, stocks.get(game.id)!);
    const names = [...rosterOf(game, state).mods].filter(({ loads }) => loads).map(({ id }) => id as string);
    if (!(names.includes("flat-dials") && names.includes("round-dials"))) return state;
  }
}

async function layOut(game: GameDefinition, roster: Roster, places: LayoutPlaces) {
  const as = laidAs(roster)!;
  const layout = planLayout(game, modsToLay(roster, filesOf(game)), places, { as });
  if (!layout.ok) throw new Error(JSON.stringify(layout.refusal));
  const laid = await performLayout(game, places, layout.value, pathOf(game), { as });
  if (!laid.ok) throw new Error(JSON.stringify(laid.refusal));
  return layout.value;
}

function takeBack(places: LayoutPlaces): void {
  const taken = planTakingBack(places, true);
  if (!taken.ok) throw new Error(JSON.stringify(taken.refusal));
}

test("300 profiles one after another: each time what copying by hand comes to, nothing touched that is so already; taken back, all is as before", async () => {
  let [aside, laid] = [0, 0];
  for (const game of games) {
    const places = placesFor(game, `whole-${game.id}`);
    const before = snapshot(places.game);
    const base = contentsOf(game, places.game);
    for (let run = 0; run < 100; run++) {
      const roster = rosterOf(game, sound(game));
      const { plan } = await layOut(game, roster, places);
      aside += plan.acts.filter(({ does }) => does === "set-aside").length;
      laid += plan.acts.filter(({ does }) => does === "put").length;
      expect(contentsOf(game, places.game)).toEqual(await wantedIn(game, roster, base));
      // By what is known of it, and looked at anew.
      for (const as of [laidAs(roster), null])
        expect(planLayout(game, modsToLay(roster, filesOf(game)), places, { as })).toMatchObject({
          ok: true,
          value: { plan: { acts: [], changed: [] } },
        });
      if (run % 10 === 9) {
        takeBack(places);
        expect(snapshot(places.game)).toEqual(before);
      }
    }
  }
  expect(Math.min(aside, laid)).toBeGreaterThan(300);
}, 300_000);

/** What changes something on the disk: all that laying out does is done by these. */
const changing = [
  "copyFileSync",
  "linkSync",
  "mkdirSync",
  "renameSync",
  "rmdirSync",
  "rmSync",
  "unlinkSync",
  "utimesSync",
  "writeFileSync",
  "writeSync",
] as const;

/** As a process that ends at one of the next changes, before it or after it, or whose disk is full then. */
function endingAt(change: number, isDone: boolean): () => void {
  let left = change;
  const spies = changing.map((name) => {
    const real = fs[name] as (...args: unknown[]) => unknown;
    return jest.spyOn(fs, name).mockImplementation((...args: unknown[]) => {
      if (left < 0) throw new Error("there is nobody any more");
      if (left-- > 0) return real(...args) as never;
      if (isDone) real(...args);
      throw Object.assign(new Error("ended"), { code: "ENOSPC" });
    });
  });
  return () => spies.forEach((spy) => spy.mockRestore());
}

/** Another file system than that of the game's folder, where there is one. */
const elsewhere = existsSync("/dev/shm") ? mkdtempSync("/dev/shm/seating-layout-") : null;
afterAll(() => elsewhere && rmSync(elsewhere, { recursive: true, force: true }));

test.each([
  ["beside the game", null],
  ["on another file system", elsewhere],
])(
  "ended at any change of the disk it goes on to what is wanted, or back to what was (%s)",
  async (name, own) => {
    const game = kites;
    const places = { ...placesFor(game, `ended ${name}`), ...(own && { own }) };
    const before = snapshot(places.game);
    const base = contentsOf(game, places.game);
    let ended = 0;
    for (let run = 0; run < 80; run++) {
      const roster = rosterOf(game, sound(game));
      const layout = planLayout(game, modsToLay(roster, filesOf(game)), places);
      if (!layout.ok) throw new Error(layout.refusal.code);
      const isBack = chance(0.2);
      // The store is filled before: nothing is touched as long as that is done.
      const changes = 2 + below(layout.value.plan.acts.length + 4);
      if (!isBack) await fillStore(game, places, layout.value);
      const goOn = endingAt(changes, chance(0.5));
      try {
        if (isBack) takeBack(places);
        else await layOut(game, roster, places);
      } catch (error) {
        ended += Number(/ended|nobody any more/.test((error as Error).message));
      } finally {
        goOn();
      }
      if (chance(0.5)) {
        await layOut(game, roster, places);
        expect(contentsOf(game, places.game)).toEqual(await wantedIn(game, roster, base));
      } else {
        takeBack(places);
        expect(snapshot(places.game)).toEqual(before);
      }
    }
    expect(ended).toBeGreaterThan(30);
  },
  120_000,
);

test("what somebody changes of it is kept, stays as long as it is wanted, and is in nobody's way; what they add stays", async () => {
  const game = kites;
  const places = placesFor(game, "changed");
  const base = contentsOf(game, places.game);
  const roster = rosterOf(game, sound(game));
  const { wanted } = await layOut(game, roster, places);
  const [changed, gone, other] = wanted.map(({ path }) => path);
  writeFileSync(join(places.game, changed!), "by hand");
  rmSync(join(places.game, gone!));
  appendFileSync(join(places.game, other!), "by hand");
  const added = join(places.game, dirname(changed!), "added by hand.txt");
  writeFileSync(added, "new");

  // As long as the same is wanted there, what was changed stays; what is gone comes again.
  const { plan } = await layOut(game, roster, places);
  expect(new Set(plan.changed)).toEqual(new Set([changed, other]));
  expect(plan.acts.map(({ does, path }) => [does, path])).toEqual([["put", gone]]);
  expect(readFileSync(join(places.game, changed!), "utf8")).toBe("by hand");

  takeBack(places);
  const kept = readdirSync(join(places.own, "laid-out"), { recursive: true, encoding: "utf8" });
  const keptFiles = kept.filter((path) => path.includes("/kept/") && path.endsWith(changed!));
  expect(keptFiles.map((path) => readFileSync(join(places.own, "laid-out", path), "utf8"))).toEqual([
    "by hand",
  ]);
  expect(readFileSync(added, "utf8")).toBe("new");
  const all = new Map(base).set(foldName(game, `${dirname(changed!)}/added by hand.txt`), sha256Of("new"));
  expect(contentsOf(game, places.game)).toEqual(all);
});

test("a file of the store that was changed through a link is made anew from its archive; one that is written to is a copy", async () => {
  const game = kites;
  const places = placesFor(game, "store");
  const roster = rosterOf(game, sound(game));
  const { wanted } = await layOut(game, roster, places);
  const store = new FileStore(join(places.own, "store"));
  const base = new Map<string, string>();
  const shared = wanted.find(
    ({ path, isOwnCopy }) => !isOwnCopy && statSync(join(places.game, path)).nlink > 1,
  )!;
  const at = join(places.game, shared.path);
  const { mtimeMs } = statSync(at);
  appendFileSync(at, "more");
  utimesSync(at, mtimeMs / 1000, mtimeMs / 1000);
  expect(store.has(shared)).toBe(false);
  const own = wanted.find(({ isOwnCopy }) => isOwnCopy)!;
  expect(statSync(join(places.game, own.path)).nlink).toBe(1);
  appendFileSync(join(places.game, own.path), "more");
  expect(store.has(own)).toBe(true);

  // Another game's folder gets what the archives hold.
  const other = placesFor(game, "store-other");
  const there = { game: other.game, own: places.own };
  for (const [key, sha256] of contentsOf(game, other.game)) base.set(key, sha256);
  await layOut(game, roster, there);
  expect(contentsOf(game, other.game)).toEqual(await wantedIn(game, roster, base));
  expect(store.has(shared)).toBe(true);
});

test("nothing is written through a link, nor over what is no file; the folder has to be the game's", async () => {
  const game = kites;
  const roster = rosterOf(game, sound(game));
  const outside = join(root, "outside");
  mkdirSync(outside, { recursive: true });
  const places = placesFor(game, "linked");
  const { wanted } = await layOut(game, roster, places);
  takeBack(places);
  const deep = wanted.find(({ path }) => path.split("/").length > 3)!;
  const folder = join(places.game, deep.path.split("/").slice(0, 3).join("/"));
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(dirname(folder), { recursive: true });
  symlinkSync(outside, folder);
  const refused = planLayout(game, modsToLay(roster, filesOf(game)), places);
  expect(refused).toMatchObject({ ok: false, refusal: { code: "layout-in-the-way" } });
  rmSync(folder);
  // Planted between the plan and the act.
  const layout = planLayout(game, modsToLay(roster, filesOf(game)), places);
  if (!layout.ok) throw new Error(layout.refusal.code);
  symlinkSync(outside, folder);
  expect(await performLayout(game, places, layout.value, pathOf(game))).toMatchObject({
    ok: false,
    refusal: { code: "layout-broken-off" },
  });
  expect(readdirSync(outside)).toEqual([]);
  rmSync(folder);
  takeBack(places);

  mkdirSync(join(places.game, deep.path), { recursive: true });
  expect(planLayout(game, modsToLay(roster, filesOf(game)), places)).toMatchObject({
    ok: false,
    refusal: { code: "layout-in-the-way" },
  });
  rmSync(join(places.game, game.sign));
  expect(planLayout(game, modsToLay(roster, filesOf(game)), places)).toMatchObject({
    ok: false,
    refusal: { code: "layout-no-game", data: { sign: game.sign } },
  });
});

test("a file of one mod where another one has a folder is refused, and both are named", () => {
  const game = kites;
  const places = placesFor(game, "flaws");
  const { shelf } = stocks.get(game.id)!;
  const both = shelf.filter(({ id }) => ["flat-dials", "round-dials"].includes(id));
  const state = addAbsentMods(emptyState(game, []), both, true);
  expect(planLayout(game, modsToLay(rosterOf(game, state), filesOf(game)), places)).toEqual({
    ok: false,
    refusal: {
      code: "layout-flaws",
      data: { items: "panels/dials (flat-dials), panels/dials/height.dat (round-dials)" },
    },
  });
});

test("an archive that is not what was read is refused before anything is touched", async () => {
  const game = kites;
  const places = placesFor(game, "unlike");
  const before = snapshot(places.game);
  const roster = rosterOf(game, sound(game));
  const layout = planLayout(game, modsToLay(roster, filesOf(game)), places);
  if (!layout.ok) throw new Error(layout.refusal.code);
  const copy = join(root, "unlike-shelf");
  cpSync(shelfOf(game), copy, { recursive: true });
  const first = [...layout.value.toUnpack.keys()].find((content) => pathOf(game)(content).endsWith(".zip"))!;
  const damaged = join(copy, pathOf(game)(first).slice(shelfOf(game).length));
  writeFileSync(damaged, "no archive any more");
  const there = (content: string) => join(copy, pathOf(game)(content).slice(shelfOf(game).length));
  expect(await performLayout(game, places, layout.value, there)).toMatchObject({
    ok: false,
    refusal: { code: "layout-unreadable" },
  });
  expect(snapshot(places.game)).toEqual(before);
});

test("what was laid out below a folder is told from the game's own files of it, and where those wait", async () => {
  const places = placesFor(kites, "loose");
  const roster = rosterOf(kites, sound(kites));
  expect(readLaid(places)("base").size).toBe(0);
  const own = new Map(contentsOf(kites, places.game));
  const { wanted } = await layOut(kites, roster, places);
  const laid = readLaid(places)("base/Kites");
  const below = wanted.filter(({ path }) => path.startsWith("base/Kites/"));
  expect([...laid.keys()].sort()).toEqual(below.map(({ path }) => path.slice(11)).sort());
  const waiting = [...laid].flatMap(([path, at]) => (at === null ? [] : [[path, at] as const]));
  expect(waiting).not.toEqual([]);
  for (const [path, at] of waiting)
    expect(sha256Of(readFileSync(at))).toBe(own.get(foldName(kites, `base/Kites/${path}`)));
  expect([...readLaid(places)("").keys()].sort()).toEqual(wanted.map(({ path }) => path).sort());
});

test("what is swept from the store is what nobody wants", async () => {
  const game = kites;
  const places = placesFor(game, "swept");
  const roster = rosterOf(game, sound(game));
  const { wanted } = await layOut(game, roster, places);
  const store = new FileStore(join(places.own, "store"));
  const [first] = wanted;
  const swept = store.sweep(new Set([first!.hash]));
  expect(swept.files).toBe(new Set(wanted.map(({ hash }) => hash)).size - 1);
  expect([store.has(first!), store.has(wanted.find(({ hash }) => hash !== first!.hash)!)]).toEqual([
    true,
    false,
  ]);
  // What lies in the game's folder stays.
  expect(shortHash(sha256Of(readFileSync(join(places.game, wanted[1]!.path))))).toBe(wanted[1]!.hash);
});

test("what a process that still runs has begun is left alone; what one that has ended began is gone on with", async () => {
  const game = kites;
  const places = placesFor(game, "busy");
  const roster = rosterOf(game, sound(game));
  await layOut(game, roster, places);
  const [state] = readdirSync(join(places.own, "laid-out"));
  const folder = join(places.own, "laid-out", state!);
  const begunBy = (by: object) => {
    cpSync(join(folder, "ledger.jsonl"), join(folder, "ledger-after.jsonl"));
    writeFileSync(join(folder, "under-way.json"), JSON.stringify({ by, acts: [] }));
  };
  const mods = modsToLay(roster, filesOf(game));
  begunBy(markOf(process.ppid));
  const busy = { ok: false, refusal: { code: "layout-busy", data: { process: process.ppid } } };
  expect(planLayout(game, mods, places)).toMatchObject(busy);
  expect(planTakingBack(places, true)).toMatchObject(busy);
  expect(setAside(places, ["flying/a.dat"])).toMatchObject(busy);
  expect(lookAtDrift(game, places)).toMatchObject(busy);
  expect(existsSync(join(folder, "under-way.json"))).toBe(true);
  // Another one has its number by now.
  begunBy({ pid: process.ppid, started: "before" });
  expect(planLayout(game, mods, places)).toMatchObject({ ok: true, value: { plan: { acts: [] } } });
  expect(existsSync(join(folder, "under-way.json"))).toBe(false);
});

test("what is as it was laid out is known without working it out, and what of it is gone is put again", async () => {
  const game = kites;
  const places = placesFor(game, "known");
  const roster = rosterOf(game, sound(game));
  const mods = modsToLay(roster, filesOf(game));
  const { wanted } = await layOut(game, roster, places);
  const as = laidAs(roster);
  // No mods are asked for: only that they are those says that theirs are the files.
  expect(planLayout(game, [], places, { as })).toMatchObject({ ok: true, value: { plan: { acts: [] } } });
  const other = { ...as!, mods: as!.mods.slice(1) };
  expect(planLayout(game, [], places, { as: other })).not.toMatchObject({ value: { plan: { acts: [] } } });
  rmSync(join(places.game, wanted[0]!.path));
  expect(planLayout(game, mods, places, { as })).toMatchObject({
    ok: true,
    value: { plan: { acts: [{ does: "put", path: wanted[0]!.path }] } },
  });
});

test("what an earlier version laid out is known, gone on with where it was cut short, and taken back", async () => {
  const game = kites;
  for (const isCutShort of [false, true]) {
    const places = placesFor(game, `earlier-${isCutShort}`);
    const before = snapshot(places.game);
    const roster = rosterOf(game, sound(game));
    await layOut(game, roster, places);
    const [state] = readdirSync(join(places.own, "laid-out"));
    const own = (name: string) => join(places.own, "laid-out", state!, name);
    const [first, ...entries] = readFileSync(own("ledger.jsonl"), "utf8")
      .trimEnd()
      .split("\n")
      .map((line) => JSON.parse(line) as Record<string, unknown>);
    const { files, ...frame } = first!;
    expect(files).toBe(entries.length);
    const earlier = { ...frame, format: "seating-ledger/1", entries };
    rmSync(own("ledger.jsonl"));
    if (isCutShort) {
      const [entry] = entries as { path: string; hash: string }[];
      writeFileSync(join(places.game, dirname(entry!.path), `.${entry!.hash}.seating-part`), "a par");
      const acts = entries.map((each) => ({ does: "put", ...each }));
      writeFileSync(own("under-way.json"), JSON.stringify({ acts, after: earlier }));
    } else writeFileSync(own("ledger.json"), JSON.stringify(earlier));
    const again = planLayout(game, modsToLay(roster, filesOf(game)), places);
    expect(again).toMatchObject({ ok: true, value: { plan: { acts: [] } } });
    takeBack(places);
    expect(snapshot(places.game)).toEqual(before);
    expect(existsSync(own("ledger.json"))).toBe(false);
  }
});

test("a ledger of which a part is missing is not gone by", async () => {
  const places = placesFor(kites, "torn");
  const roster = rosterOf(kites, sound(kites));
  await layOut(kites, roster, places);
  const [state] = readdirSync(join(places.own, "laid-out"));
  const path = join(places.own, "laid-out", state!, "ledger.jsonl");
  const lines = readFileSync(path, "utf8").split("\n");
  writeFileSync(path, `${lines.slice(0, -3).join("\n")}\n`);
  expect(() => planTakingBack(places, true)).toThrow("is not whole");
});

test("plugins get the dates of their order, a minute apart, after those of the game; only what moved is put anew, and all is taken back", async () => {
  const game = games.find(({ id }) => id === brinehollow.id)!;
  const places = placesFor(game, "dates");
  const before = snapshot(places.game);
  const loading = (roster: Roster) =>
    roster.lists.plugins.items.filter(({ loads, fixed }) => loads && !fixed).map(({ id }) => id as string);
  const lay = async (state: ProfileState, putAgain = false) => {
    const roster = rosterOf(game, state);
    const layout = planLayout(game, modsToLay(roster, filesOf(game)), places, {
      as: laidAs(roster, true),
      putAgain,
    });
    if (!layout.ok) throw new Error(JSON.stringify(layout.refusal));
    const laid = await performLayout(game, places, layout.value, pathOf(game));
    if (!laid.ok) throw new Error(JSON.stringify(laid.refusal));
    return { roster, acts: layout.value.plan.acts };
  };
  // A file of the game's of that name may be spelled in its own way.
  const pathOfPlugin = (name: string) =>
    `base/${readdirSync(join(places.game, "base")).find((each) => foldName(game, each) === foldName(game, name))}`;
  const dateOfPlugin = (name: string) => statSync(join(places.game, pathOfPlugin(name))).mtimeMs;
  const byDate = (names: readonly string[]) => [...names].sort((a, b) => dateOfPlugin(a) - dateOfPlugin(b));
  const state = sound(game);
  const first = await lay(state);
  const names = loading(first.roster);
  expect(names.length).toBeGreaterThan(10);
  expect(byDate([...names].reverse())).toEqual(names);
  expect(names.slice(1).map((name, at) => dateOfPlugin(name) - dateOfPlugin(names[at]!))).toEqual(
    names.slice(1).map(() => 60_000),
  );
  expect(dateOfPlugin(names[0]!)).toBeGreaterThan(dateOfPlugin(game.builtIn[0]!));
  expect((await lay(state)).acts).toEqual([]);
  // Two that stand side by side change places.
  const at = state.plugins.entries.findIndex(({ id, section }, place, all) => {
    const next = all[place + 1];
    return names.includes(id) && next?.section === section && names.includes(next.id);
  });
  const turned = [...state.plugins.entries];
  turned.splice(at, 2, turned[at + 1]!, turned[at]!);
  const second = await lay({ ...state, plugins: { ...state.plugins, entries: turned } });
  expect(second.acts.map(({ path }) => path).sort()).toEqual(
    [turned[at]!.id, turned[at + 1]!.id].map(pathOfPlugin).sort(),
  );
  expect(byDate(names)).toEqual(loading(second.roster));
  // What an editor saves has another date.
  utimesSync(join(places.game, pathOfPlugin(names[2]!)), 2_000_000_000, 2_000_000_000);
  const drift = lookAtDrift(game, places);
  expect(drift.ok && drift.value.changed.map(({ path }) => path)).toEqual([pathOfPlugin(names[2]!)]);
  await lay(state, true);
  expect(byDate(names)).toEqual(names);
  takeBack(places);
  expect(snapshot(places.game)).toEqual(before);
});

test("while a program of the game's runs its folder is left alone, and where nothing has to be done nothing is said of it", async () => {
  const game = kites;
  const places = placesFor(game, "running");
  const mods = modsToLay(rosterOf(game, sound(game)), filesOf(game));
  const program = join(places.game, "kites-program");
  cpSync("/bin/sleep", program, { dereference: true });
  const running = spawn(program, ["600"], { stdio: "ignore", env: { ...process.env } });
  const refused = { ok: false, refusal: { code: "layout-running", data: { program: "kites-program" } } };
  try {
    await once(running, "spawn");
    expect(planLayout(game, mods, places)).toMatchObject(refused);
    // Nothing lies there yet that would be taken back.
    expect(planTakingBack(places, true)).toMatchObject({ ok: true });
  } finally {
    running.kill();
    await once(running, "exit");
  }
  expect(planLayout(game, mods, places)).toMatchObject({ ok: true });
});

test("what this system cannot hold is refused before anything is touched", () => {
  const game = kites;
  const places = placesFor(game, "system");
  const before = snapshot(places.game);
  const [mod] = modsToLay(rosterOf(game, sound(game)), filesOf(game));
  const path = Array.from({ length: 40 }, () => "z".repeat(120)).join("/");
  const files = [{ path, size: 1, hash: "0".repeat(32), part: null }];
  expect(planLayout(game, [{ ...mod!, files }], places)).toMatchObject({
    ok: false,
    refusal: { code: "layout-system" },
  });
  expect(snapshot(places.game)).toEqual(before);
});
