import { execFileSync } from "node:child_process";
import {
  cp,
  lstat,
  mkdir,
  mkdtemp,
  readFile,
  readlink,
  rename,
  rm,
  symlink,
  writeFile,
} from "node:fs/promises";
import { existsSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { orderFileGap, standingOf } from "@/core/check/order-file";
import { label } from "@/core/edit/steps";
import type { ProfileId } from "@/core/model/ids";
import { copiesKey } from "@/core/model/preferences";
import { makeDemo } from "@/standin/demo/make-demo";
import { saveGame } from "@/store/games";
import { readHistory } from "@/store/journal";
import { findCopy, findWritten, willWrite } from "@/store/order-files";
import { savePreference } from "@/store/preferences";
import type { Context } from "./context";
import { storeEdit } from "./operations/edit-profile";
import { step } from "./operations/history";
import { addGame } from "./operations/games";
import {
  listCopies,
  lookAtOrder,
  putCopyBack,
  readOnDisk,
  takeOverOrder,
  writeOrder,
} from "./operations/order-file";
import { readShelfOfGame } from "./operations/read-shelf";
import { currentGame, readSituation } from "./operations/situation";
import { makeContext, value } from "./testing/demo-context";

let demo: string;
let folder: string;
let context: Context;
let profile: ProfileId;
let order: string;

beforeAll(async () => {
  demo = await mkdtemp(join(tmpdir(), "seating-order-"));
  await makeDemo(demo, 7, 60);
}, 60_000);
afterAll(() => rm(demo, { recursive: true, force: true }));

/** A game as its owner has it: an order of years, and mods on the shelf; Seating meets it for the first time. */
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), "seating-owner-"));
  await cp(join(demo, "brinehollow"), folder, { recursive: true });
  order = join(folder, "game/saves/lading.lst");
  context = await makeContext(folder);
  value(
    await addGame(context, {
      game: "brinehollow",
      folders: { game: join(folder, "game"), order: "", shelves: [join(folder, "shelf")] },
    }),
  );
  value(await readShelfOfGame(context, () => undefined));
  profile = value(await currentGame(context)).profileId!;
}, 60_000);
afterEach(async () => {
  await context.db.close();
  await rm(folder, { recursive: true, force: true });
});

const situation = async () => value(await readSituation(context, profile));
const text = () => readFile(order, "utf8");
async function standing() {
  const { game, roster } = await situation();
  const onDisk = await readOnDisk(context, game);
  const { edits } = await context.db.transaction((tx) => readHistory(tx, profile));
  return standingOf(orderFileGap(roster, onDisk), onDisk, profile, edits);
}
const takeOver = async () =>
  value(await takeOverOrder(context, profile, (await situation()).profile.version));
async function turnOff(id: string) {
  const { version } = (await situation()).profile;
  const steps = [{ kind: "switch" as const, list: "plugins" as const, ids: [id as never], on: false }];
  value(
    await storeEdit(context, profile, version, { label: label("switch-off", { item: id, count: 1 }), steps }),
  );
}

test("an order that is there already is taken over whole: what it names, in its order, and nothing else", async () => {
  const names = (await text()).trim().split("\n");
  expect(names.length).toBeGreaterThan(20);
  expect(await standing()).toBe("theirs");
  await takeOver();
  const { roster } = await situation();
  const loads = roster.plugins
    .filter((plugin) => plugin.loads && !plugin.fixed)
    .map(({ id }) => id as string);
  expect(loads).toEqual(names);
  expect(roster.mods.every((mod) => mod.loads)).toBe(true);
  // Only what stands among others than its own, or of which no tag says where it belongs, is not at home.
  expect(new Set(roster.plugins.map(({ section }) => section!.id)).size).toBeGreaterThan(6);
  expect(roster.plugins.filter(({ section }) => section!.unseated)).toEqual([]);
  expect(roster.plugins.filter(({ entry }) => entry.home !== undefined).length).toBeLessThan(8);
  const history = await context.db.transaction((tx) => readHistory(tx, profile));
  expect(history.undo).toEqual({ id: "take-over-order", data: { path: "saves/lading.lst" } });
  value(await writeOrder(context, profile, null));
  expect((await text()).trim().split("\n")).toEqual(names);
});

test("nothing empties a full order: an empty profile is not written over it until its user has seen it", async () => {
  const before = await text();
  expect(await writeOrder(context, profile, null)).toMatchObject({ refusal: { code: "order-file-theirs" } });
  expect(await text()).toBe(before);
  const seen = value(await lookAtOrder(context, profile));
  expect(seen.writing).toEqual({ comes: [], goes: before.trim().split("\n"), moves: [] });
  await writeFile(order, `${before}One More.skiff\n`);
  expect(await writeOrder(context, profile, seen.sha256)).toMatchObject({
    refusal: { code: "order-file-theirs" },
  });
  const again = value(await lookAtOrder(context, profile));
  expect(again.unknown).toEqual(["One More.skiff"]);
  value(await writeOrder(context, profile, again.sha256));
  expect(await text()).toBe("");
  const [copy] = value(await listCopies(context)).filter(({ path }) => path === order);
  value(await putCopyBack(context, copy!.id));
  expect(await text()).toBe(`${before}One More.skiff\n`);
  expect(await standing()).toBe("theirs");
});

test("what another program changes later is theirs, and kept before it is written over; each change once", async () => {
  await takeOver();
  value(await writeOrder(context, profile, null));
  expect(await standing()).toBe("current");
  const changed = (await text()).split("\n").slice(3).join("\n");
  for (let n = 0; n < 2; n++) {
    await writeFile(order, `# by hand\n${changed}`);
    expect(await standing()).toBe("theirs");
    const { sha256, writing } = value(await lookAtOrder(context, profile));
    expect([writing.comes.length, writing.goes.length]).toEqual([3, 0]);
    value(await writeOrder(context, profile, sha256));
    expect(await text()).toMatch(/^# by hand\n/);
    expect(await standing()).toBe("current");
  }
  expect(value(await listCopies(context)).filter(({ path }) => path === order)).toHaveLength(1);
});

test("after an undo the file is said to be ahead, after other edits behind", async () => {
  await takeOver();
  const { roster } = await situation();
  const last = roster.plugins.filter((plugin) => plugin.loads && !plugin.fixed).at(-1)!.id;
  await turnOff(last);
  value(await writeOrder(context, profile, value(await lookAtOrder(context, profile)).sha256));
  expect(await standing()).toBe("current");
  value(await step(context, profile, (await situation()).profile.version, "undo"));
  expect(await standing()).toBe("ahead");
  value(await step(context, profile, (await situation()).profile.version, "redo"));
  expect(await standing()).toBe("current");
  await turnOff(roster.plugins.filter((plugin) => plugin.loads && !plugin.fixed).at(-2)!.id);
  expect(await standing()).toBe("behind");
});

test("where the game is gone nothing is written, and no folder is made", async () => {
  await takeOver();
  await rename(join(folder, "game"), join(folder, "elsewhere"));
  expect(await writeOrder(context, profile, null)).toMatchObject({ refusal: { code: "folder-no-game" } });
  expect(existsSync(join(folder, "game"))).toBe(false);
});

test("a link is written through; one that leads nowhere is refused, and stays", async () => {
  const real = join(folder, "real.lst");
  await rename(order, real);
  await symlink(real, order);
  await takeOver();
  await turnOff((await situation()).roster.plugins.find((plugin) => plugin.loads && !plugin.fixed)!.id);
  const { sha256 } = value(await lookAtOrder(context, profile));
  value(await writeOrder(context, profile, sha256));
  expect(await readlink(order)).toBe(real);
  expect((await readFile(real, "utf8")).trim().split("\n").length).toBeGreaterThan(20);
  await rm(real);
  expect(await writeOrder(context, profile, null)).toMatchObject({ refusal: { code: "cannot-write" } });
  expect((await lstat(order)).isSymbolicLink()).toBe(true);
});

test("a file that was about to be written when the server ended is known for Seating's own", async () => {
  await takeOver();
  value(await writeOrder(context, profile, null));
  const { game } = await situation();
  const contents = await text();
  await context.db.transaction((tx) => willWrite(tx, game.id, order, "0".repeat(64)));
  expect(await standing()).toBe("current");
  await writeFile(order, `${contents}Late.skiff\n`);
  expect(await standing()).toBe("theirs");
});

test("of each file only so many copies are kept as its user wants, the newest", async () => {
  const { id } = value(await currentGame(context));
  await savePreference(context.db, id, copiesKey, 2);
  for (const name of ["One", "Two", "Three"]) {
    await writeFile(order, `${name}.skiff\n`);
    const seen = value(await lookAtOrder(context, profile));
    value(await writeOrder(context, profile, seen.sha256));
  }
  const kept = value(await listCopies(context)).filter(({ path }) => path === order);
  const contents = await Promise.all(kept.map((copy) => findCopy(context.db, id, copy.id)));
  expect(contents.map((copy) => Buffer.from(copy!.contents).toString())).toEqual([
    "Three.skiff\n",
    "Two.skiff\n",
  ]);
});

test("a copy goes back only to where this game reads its files", async () => {
  await takeOver();
  await turnOff((await situation()).roster.plugins.find((plugin) => plugin.loads && !plugin.fixed)!.id);
  value(await writeOrder(context, profile, value(await lookAtOrder(context, profile)).sha256));
  const [copy] = value(await listCopies(context)).filter(({ path }) => path === order);
  const { game } = await situation();
  await saveGame(context.db, { ...game, folders: { ...game.folders, order: join(folder, "shelf") } });
  expect(await putCopyBack(context, copy!.id)).toMatchObject({ refusal: { code: "copy-elsewhere" } });
  expect(await putCopyBack(context, "none")).toMatchObject({ refusal: { code: "copy-gone" } });
});

test("two writings at once come one after the other: order and holds are of one version", async () => {
  await takeOver();
  const { sha256 } = value(await lookAtOrder(context, profile));
  const written = [writeOrder(context, profile, sha256)];
  for (let n = 0; n < 6; n++) {
    await turnOff(
      (await situation()).roster.plugins.filter((plugin) => plugin.loads && !plugin.fixed).at(-1)!.id,
    );
    written.push(writeOrder(context, profile, null));
  }
  for (const outcome of await Promise.all(written)) expect(outcome.ok).toBe(true);
  expect(await standing()).toBe("current");
  expect((await findWritten(context.db, "brinehollow", order))!.pending).toBeNull();
});

test.each<[string, () => Promise<void> | void]>([
  ["a folder", () => mkdir(order)],
  ["a pipe", () => void execFileSync("mkfifo", [order])],
  ["a socket's or any other odd file: a link to itself", () => symlink("lading.lst", order)],
])(
  "where %s stands in place of the order file, pages are made, and it is refused once it is to be written",
  async (_, put) => {
    await rm(order);
    await put();
    const before = await lstat(order);
    const onDisk = await readOnDisk(context, (await situation()).game);
    expect([onDisk.order, onDisk.file]).toEqual([null, undefined]);
    expect(await writeOrder(context, profile, null)).toMatchObject({ ok: false });
    const after = await lstat(order);
    expect([after.ino, after.mode]).toEqual([before.ino, before.mode]);
  },
);
