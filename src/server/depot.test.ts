import { createHash } from "node:crypto";
import { copyFile, readdir, readFile, rm } from "node:fs/promises";
import { join } from "node:path";
import { listTransfers } from "@/store/transfers";
import type { ShelfMod } from "@/core/model/shelf";
import { listShelf } from "@/store/shelf";
import type { Context } from "./context";
import { openDepots } from "./depot/depots";
import { actOnDepot, emptyQueue, getFromDepot, readCatalogue, readDepot } from "./operations/depot";
import { readShelfOfGame } from "./operations/read-shelf";
import { makeDemoContext, value, type DemoContext } from "./testing/demo-context";

let demo: DemoContext;
let context: Context;
const game = "brinehollow";

beforeAll(async () => {
  demo = await makeDemoContext(60);
  context = demo.context;
}, 120_000);
afterAll(() => demo.end());

const fileOf = async (id: string, version?: string) => {
  const { mods } = value(await readCatalogue(context))!;
  return mods.find(({ mod }) => mod.id === id && (version === undefined || mod.version === version))!.mod
    .path;
};
const settled = async (of = context) => {
  await of.depots.queues.get(game)?.settled();
  return value(await readDepot(of));
};
const stateOf = async (id: string) =>
  (await listTransfers(context.db, game)).find(({ modId }) => modId === id);
const onShelf = async (id: string) => (await listShelf(context.db, game)).filter((mod) => mod.id === id);
const restarted = (speed = 1e9): Context => ({ ...context, depots: openDepots(demo.folder, speed) });

/** Takes mods off the shelf, so that they can be got. */
async function takeAway(isGone: (mod: ShelfMod) => boolean): Promise<void> {
  for (const mod of (await listShelf(context.db, game)).filter(isGone))
    await rm(join(demo.folder, game, "shelf", mod.path), { recursive: true });
  value(await readShelfOfGame(context, () => undefined));
}

test("the catalogue is what the archives are: every hash holds, and everything sound on the shelf is offered", async () => {
  const { mods } = value(await readCatalogue(context))!;
  for (const { mod } of mods.slice(0, 20)) {
    const bytes = await readFile(join(demo.folder, game, "depot/files", mod.path));
    expect([mod.path, createHash("sha256").update(bytes).digest("hex")]).toEqual([
      mod.path,
      mod.archiveSha256,
    ]);
  }
  const contents = new Set(mods.map(({ mod }) => mod.content));
  const shelf = (await listShelf(context.db, game)).filter(
    (mod) => !mod.problem && mod.id !== "sounding-line",
  );
  expect(shelf.filter((mod) => !contents.has(mod.content)).map(({ id }) => id)).toEqual([]);
  expect(
    mods
      .filter(({ mod }) => mod.id === "glass-tides")
      .map(({ mod }) => mod.version)
      .sort(),
  ).toEqual(["2.3.0", "2.4.0"]);
});

test("without a sign-in nothing comes; with one it does, is checked, and lies on the shelf", async () => {
  const file = await fileOf("glass-tides", "2.4.0");
  value(await getFromDepot(context, [file]));
  expect(await settled()).toMatchObject({
    halted: "signed-out",
    running: false,
    transfers: [{ state: "waiting" }],
  });
  value(await actOnDepot(context, "sign-in"));
  expect((await settled()).transfers).toMatchObject([{ state: "got", tries: 1 }]);
  expect((await onShelf("glass-tides")).map(({ version }) => version).sort()).toEqual(["2.3.0", "2.4.0"]);
  value(await actOnDepot(context, "clear"));
  expect((await settled()).transfers).toEqual([]);
});

test("what is busy or comes damaged is tried again by itself; what is to be paid for waits for a hand", async () => {
  await takeAway(({ id }) => ["small-fry", "legible-ledgers", "ropewalk-quay"].includes(id));
  const files = [await fileOf("small-fry"), await fileOf("legible-ledgers"), await fileOf("ropewalk-quay")];
  value(await getFromDepot(context, files));
  await settled();
  expect(await stateOf("small-fry")).toMatchObject({ state: "got", tries: 2 });
  expect(await stateOf("legible-ledgers")).toMatchObject({ state: "got", tries: 2 });
  expect(await stateOf("ropewalk-quay")).toMatchObject({ state: "by-hand", received: 0 });
  value(await actOnDepot(context, "clear"));
});

test("what fails is told with its reason and keeps its part; trying the failed again gets it, and only it", async () => {
  await takeAway(({ id }) => ["abyss-library", "drowned-bells"].includes(id));
  value(await getFromDepot(context, [await fileOf("abyss-library"), await fileOf("drowned-bells")]));
  await settled();
  const failed = (await stateOf("abyss-library"))!;
  expect(failed).toMatchObject({ state: "failed", problem: { code: "broke-off" } });
  expect(failed.received).toBeGreaterThan(0);
  expect(failed.received).toBeLessThan(failed.size);
  expect(await stateOf("drowned-bells")).toMatchObject({ state: "got" });
  expect(await onShelf("drowned-bells")).toHaveLength(1);
  value(await actOnDepot(context, "retry"));
  await settled();
  expect(await stateOf("abyss-library")).toMatchObject({ state: "got" });
});

test("a server that was stopped in the midst goes on from the part that had come", async () => {
  await takeAway(({ id }) => id === "wide-lens");
  const file = await fileOf("wide-lens");
  const size = value(await readCatalogue(context))!.mods.find(({ mod }) => mod.path === file)!.mod.size;
  const slow = restarted(size * 4);
  slow.depots.depot.signIn();
  value(await getFromDepot(slow, [file]));
  await new Promise((done) => setTimeout(done, 120));
  value(await actOnDepot(slow, "pause"));
  const after = restarted();
  const before = value(await readDepot(after));
  expect(before).toMatchObject({ halted: "paused", running: false, signedIn: false });
  expect(before.transfers.find(({ modId }) => modId === "wide-lens")).toMatchObject({ state: "waiting" });
  after.depots.depot.signIn();
  value(await actOnDepot(after, "go-on"));
  const { transfers } = await settled(after);
  expect(transfers.find(({ modId }) => modId === "wide-lens")).toMatchObject({
    state: "got",
    received: size,
  });
});

test("a sign-in that expires halts the queue, and signing in again goes on", async () => {
  const { mods } = value(await readCatalogue(context))!;
  const files = mods
    .filter(({ terms, mod }) => !terms && mod.id !== "abyss-library")
    .slice(0, 30)
    .map(({ mod }) => mod.path);
  await takeAway(({ path }) => files.includes(path));
  const again = restarted();
  Object.assign(again.depots.depot, { manner: { speed: 1e9, transfersASignIn: 5 } });
  again.depots.depot.signIn();
  value(await getFromDepot(again, files));
  const halted = await settled(again);
  expect(halted.halted).toBe("signed-out");
  expect(halted.transfers.filter(({ state }) => state === "waiting").length).toBeGreaterThan(10);
  Object.assign(again.depots.depot, { manner: { speed: 1e9, transfersASignIn: 500 } });
  value(await actOnDepot(again, "sign-in"));
  expect((await settled(again)).transfers.every(({ state }) => ["got", "by-hand"].includes(state))).toBe(
    true,
  );
}, 120_000);

test("whoever asks twice has it once: while it comes, before the shelf is read, and when it lies there", async () => {
  const file = await fileOf("glass-tides", "2.4.0");
  const names = async () =>
    (await readdir(join(demo.folder, game, "shelf"))).filter((name) => /^Glass Tides-2\.4/i.test(name));
  await takeAway(({ id }) => id === "glass-tides");
  value(await actOnDepot(context, "clear"));
  value(await actOnDepot(context, "sign-in"));
  await Promise.all([getFromDepot(context, [file]), getFromDepot(context, [file, file])]);
  await settled();
  expect(await names()).toHaveLength(1);
  // It lies there, and the database does not know of it yet.
  await context.db.query(
    "delete from shelf_mod where game_id = $1 and id = 'glass-tides' and version = '2.4.0'",
    [game],
  );
  value(await getFromDepot(context, [file]));
  expect((await settled()).transfers.map(({ state }) => state)).toEqual(["got"]);
  expect(await names()).toHaveLength(1);
  value(await readShelfOfGame(context, () => undefined));
  value(await actOnDepot(context, "clear"));
  expect(value(await getFromDepot(context, [file])).transfers).toEqual([]);
  // The same contents that come under another name meanwhile are the same, too.
  await takeAway(({ id }) => id === "glass-tides");
  value(await actOnDepot(context, "sign-out"));
  value(await getFromDepot(context, [file]));
  expect((await settled()).transfers.map(({ state }) => state)).toEqual(["waiting"]);
  await copyFile(join(demo.folder, game, "depot/files", file), join(demo.folder, game, "shelf", "mine.zip"));
  value(await readShelfOfGame(context, () => undefined));
  value(await actOnDepot(context, "sign-in"));
  expect((await settled()).transfers.map(({ state }) => state)).toEqual(["got"]);
  expect(await names()).toEqual([]);
});

test("what the depot does not have is refused by name, and a queue is emptied without touching what came", async () => {
  expect(await getFromDepot(context, ["Nothing-1.zip"])).toMatchObject({
    ok: false,
    refusal: { code: "not-in-depot" },
  });
  const { transfers } = value(await emptyQueue(context));
  expect(transfers.every(({ state }) => state === "got")).toBe(true);
  await rm(join(demo.folder, game, "shelf"), { recursive: true, force: true });
  expect((await readShelfOfGame(context, () => undefined)).ok).toBe(false);
});
