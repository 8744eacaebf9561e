import { spawn } from "node:child_process";
import { once } from "node:events";
import { setTimeout as wait } from "node:timers/promises";
import {
  appendFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { zipSync } from "fflate";
import { sha256Of } from "@/disk/digest";
import { makeDemo } from "@/standin/demo/make-demo";
import { kitefall } from "@/standin/kitefall/definition";
import { markOf } from "@/disk/process-mark";
import { cleanUnpacked, layOut, takeBack } from "./lay-out";

const root = mkdtempSync(join(tmpdir(), "seating-lay-out-"));
const gameFolder = join(root, "game");
const shelf = join(root, "demo", kitefall.id, "shelf");
const game = join(root, "kitefall.json");
const program = join(process.cwd(), "dist", "seating.mjs");
const listed = join(root, "listed.json");
const before = process.env.SEATING_HOME;

beforeAll(async () => {
  process.env.SEATING_HOME = join(root, "home");
  await makeDemo(join(root, "demo"), 7, 40);
  writeFileSync(game, JSON.stringify({ ...kitefall, placement: { kind: "merged", folder: "base/kites" } }));
  const { placement: _, ...rest } = kitefall;
  writeFileSync(listed, JSON.stringify(rest));
  mkdirSync(join(gameFolder, "base"), { recursive: true });
  writeFileSync(join(gameFolder, kitefall.sign), "the game");
}, 60_000);
afterAll(() => {
  if (before === undefined) delete process.env.SEATING_HOME;
  else process.env.SEATING_HOME = before;
  rmSync(root, { recursive: true, force: true });
});

const list = (...lines: readonly string[]) => ({
  name: "list.md",
  bytes: new TextEncoder().encode(lines.map((line) => `- [x] ${line}`).join("\n")),
});

test("a list is laid out, looked at before, and taken back", async () => {
  const options = { game, shelf, gameFolder };
  const preview = await layOut(list("Flat Dials", "Bridle Kit"), { ...options, preview: true });
  if (!preview.ok) throw new Error(JSON.stringify(preview.refusal));
  expect(preview.value.json).toMatchObject({ format: "seating-layout/1", done: false });
  expect(preview.value.text).toMatch(
    /^To be done: \d+ files put, 0 removed, 0 of the game’s own set aside, 0 put back\.\nTo be written: the order of 2 to .+\.$/,
  );
  expect(readdirSync(join(gameFolder, "base"))).toEqual(["kitefall.pak"]);

  const laid = await layOut(list("Flat Dials", "Bridle Kit"), options);
  if (!laid.ok) throw new Error(JSON.stringify(laid.refusal));
  expect(laid.value.json).toMatchObject({ done: true });
  expect(existsSync(join(gameFolder, "base/kites/menus/dials"))).toBe(true);

  writeFileSync(join(gameFolder, "base/kites/menus/dials"), "mine");
  const back = takeBack({ gameFolder });
  if (!back.ok) throw new Error(JSON.stringify(back.refusal));
  expect(back.value.aside?.[0]).toMatch(
    /^base\/kites\/menus\/dials was changed since it was laid out: .+“kept\/\d+”\.$/,
  );
  expect(readdirSync(join(gameFolder, "base"))).toEqual(["kitefall.pak"]);
  expect(readFileSync(join(gameFolder, kitefall.sign), "utf8")).toBe("the game");
});

test("the order is written where the game reads it; what lay there comes back, and what others wrote since is kept", async () => {
  const order = join(gameFolder, kitefall.orderFile.path);
  const options = { game, shelf, gameFolder };
  const laid = async (...lines: readonly string[]) => {
    const answer = await layOut(list(...lines), options);
    if (!answer.ok) throw new Error(JSON.stringify(answer.refusal));
    const copies = answer.value.aside!.filter((line) => line.startsWith("Another program"));
    return { ...answer.value, copies };
  };
  mkdirSync(dirname(order), { recursive: true });
  writeFileSync(order, "[x] of-years\n");
  const first = await laid("Flat Dials", "Bridle Kit");
  expect(first).toMatchObject({ json: { order: { path: order, names: 2 } }, copies: [] });
  // One of them wants a line of settings, which is no matter of the command.
  expect(first.aside).toContainEqual(expect.stringMatching(/^1 line of settings .+ is not written/));
  expect(readFileSync(order, "utf8")).toMatch(/flat-dials[^]+bridle-kit/);
  // Seating's own is written over without a word, and so is a later one taken back.
  expect((await laid("Bridle Kit")).copies).toEqual([]);
  expect(readFileSync(order, "utf8")).not.toContain("[x] flat-dials");
  appendFileSync(order, "[x] by-another\n");
  const [told] = (await laid("Flat Dials")).copies;
  const copy = / in (.+)\.$/.exec(told!)![1]!;
  expect(readFileSync(copy, "utf8")).toContain("by-another");
  expect(takeBack({ gameFolder })).toMatchObject({ ok: true });
  expect(readFileSync(order, "utf8")).toBe("[x] of-years\n");

  await laid("Flat Dials");
  appendFileSync(order, "[x] by-another\n");
  expect(takeBack({ gameFolder })).toMatchObject({ ok: true });
  expect(readFileSync(order, "utf8")).toContain("by-another");
  rmSync(dirname(order), { recursive: true });
});

test("of a game that keeps profiles of its own one is named, or it is the only one; another folder can be named", async () => {
  const kept = join(root, "kept.json");
  const laws = JSON.parse(readFileSync(game, "utf8")) as object;
  writeFileSync(kept, JSON.stringify({ ...laws, profilesOfGame: { folder: "players" } }));
  const options = { game: kept, shelf, gameFolder, orderFolder: join(root, "documents") };
  for (const name of ["ada", "bo"])
    mkdirSync(join(options.orderFolder, "players", name), { recursive: true });
  const before = contentsOf(gameFolder);
  expect(await layOut(list("Flat Dials"), options)).toMatchObject({
    ok: false,
    refusal: { code: "profile-of-game", data: { names: "ada, bo" } },
  });
  expect(contentsOf(gameFolder)).toEqual(before);
  expect(await layOut(list("Flat Dials"), { ...options, for: "bo" })).toMatchObject({ ok: true });
  const order = join(options.orderFolder, "players/bo", kitefall.orderFile.path);
  expect(readFileSync(order, "utf8")).toContain("flat-dials");
  expect(takeBack({ gameFolder })).toMatchObject({ ok: true });
  expect(existsSync(order)).toBe(false);
  expect(contentsOf(gameFolder)).toEqual(before);
});

test("what was unpacked and lies nowhere any more is thrown away, after it was said how much that is", async () => {
  const options = { game, shelf, gameFolder };
  const laid = await layOut(list("Bridle Kit"), options);
  if (!laid.ok) throw new Error(JSON.stringify(laid.refusal));
  const sweep = (preview: boolean) => {
    const swept = cleanUnpacked({ preview });
    if (!swept.ok) throw new Error(JSON.stringify(swept.refusal));
    return swept.value;
  };
  // Another process lays something out: what it has unpacked is nobody's yet.
  const use = join(root, "home", "store-in-use");
  mkdirSync(use, { recursive: true });
  writeFileSync(join(use, "1.json"), JSON.stringify(markOf(process.ppid)));
  expect(cleanUnpacked({ preview: false })).toMatchObject({
    ok: false,
    refusal: { code: "store-in-use", data: { process: process.ppid } },
  });
  writeFileSync(join(use, "1.json"), JSON.stringify({ pid: process.ppid, started: "before" }));
  const looked = sweep(true);
  expect(looked.text).toMatch(/^To be freed: [1-9]\d* files?, \d/);
  expect(sweep(false).json).toMatchObject({ files: (looked.json as { files: number }).files, done: true });
  expect(sweep(false).json).toMatchObject({ files: 0, bytes: 0 });
  // What lies in the game's folder is in the store yet.
  const again = await layOut(list("Bridle Kit"), options);
  expect(again).toMatchObject({ ok: true, value: { json: { acts: [] } } });
  expect(takeBack({ gameFolder })).toMatchObject({ ok: true });
  expect((sweep(false).json as { files: number }).files).toBeGreaterThan(0);
});

test("what is missing is said: the folder of the game, the law, mods", async () => {
  const codes = await Promise.all([
    layOut(list("Flat Dials"), { game, shelf }),
    layOut(list("Flat Dials"), { game, gameFolder }),
    layOut(list("Flat Dials"), { game: listed, shelf, gameFolder }),
    layOut(list("Flat Dials"), { game, shelf, gameFolder: join(root, "nowhere") }),
    layOut(list("Nobody’s Kite"), { game, shelf, gameFolder }),
    Promise.resolve(takeBack({})),
    Promise.resolve(takeBack({ gameFolder: join(root, "nowhere") })),
  ]);
  expect(codes.map((each) => (each.ok ? "done" : each.refusal.code))).toEqual([
    "needs-game-folder",
    "list-needs-shelf",
    "layout-by-list",
    "layout-no-game",
    "list-lacks",
    "needs-game-folder",
    "folder-missing",
  ]);
});

/** Names, and contents by their hashes, of all files below a folder. */
const contentsOf = (folder: string): Record<string, string> =>
  Object.fromEntries(
    readdirSync(folder, { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile())
      .map((entry) => join(entry.parentPath, entry.name))
      .sort()
      .map((path) => [path.slice(folder.length), sha256Of(readFileSync(path))]),
  );

test("killed at any moment the next call finishes it or takes it back", async () => {
  // So many that one is still at it when it is killed.
  const many = join(root, "many");
  const contents = Array.from({ length: 2500 }, (_, at): [string, Uint8Array] => [
    `kites/${at % 40}/${at}.dat`,
    new TextEncoder().encode(`${at}`),
  ]);
  mkdirSync(many);
  writeFileSync(join(many, "Many Kites-1.0.zip"), zipSync(Object.fromEntries(contents), { level: 0 }));
  const whole = list("Many Kites");
  const file = join(root, whole.name);
  writeFileSync(file, whole.bytes);
  const places = { game, shelf: many, gameFolder };
  const before = contentsOf(gameFolder);
  expect(await layOut(whole, places)).toMatchObject({ ok: true });
  const laid = contentsOf(gameFolder);
  // With the order, and what its mods hold.
  expect(Object.keys(laid)).toHaveLength(Object.keys(before).length + contents.length + 2);
  expect(takeBack({ gameFolder })).toMatchObject({ ok: true });

  const args = ["lay-out", file, "--game", game, "--shelf", many, "--game-folder", gameFolder];
  const states = join(root, "home", "laid-out");
  const isUnderWay = () =>
    readdirSync(states).some((state) => existsSync(join(states, state, "under-way.json")));
  let cut = 0;
  for (let round = 0; round < 4; round++) {
    const env = { ...process.env };
    const child = spawn(process.execPath, [program, ...args], { stdio: "ignore", env });
    const ended = once(child, "exit");
    while (!isUnderWay() && child.exitCode === null) await wait(1);
    await wait(round * 6);
    child.kill("SIGKILL");
    await ended;
    cut += Number(isUnderWay());
    if (round % 2 === 0) {
      expect(await layOut(whole, places)).toMatchObject({ ok: true });
      expect(contentsOf(gameFolder)).toEqual(laid);
    }
    expect(takeBack({ gameFolder })).toMatchObject({ ok: true });
    expect(contentsOf(gameFolder)).toEqual(before);
  }
  expect(cut).toBeGreaterThan(0);
}, 240_000);
