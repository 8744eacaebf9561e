import { rm, utimes } from "node:fs/promises";
import { join } from "node:path";
import { label } from "@/core/edit/steps";
import type { Edit } from "@/core/model/edit";
import type { ProfileId } from "@/core/model/ids";
import { listShelf } from "@/store/shelf";
import type { Context } from "./context";
import { getFromDepot, readCatalogue, readDepot } from "./operations/depot";
import { storeEdit } from "./operations/edit-profile";
import { readShelfOfGame } from "./operations/read-shelf";
import { currentGame, readProfile, readSituation } from "./operations/situation";
import { getStock } from "./stock";
import { makeDemoContext, storedProfile, value, type DemoContext } from "./testing/demo-context";
import { viewProfile, viewProfiles } from "./views/profile";

const rounds = 100;
/** Milliseconds after which nothing is taken to come any more. */
const patience = 30_000;

let demo: DemoContext;
let context: Context;
let profile: ProfileId;
beforeAll(async () => {
  demo = await makeDemoContext(60);
  context = demo.context;
  profile = value(await currentGame(context)).profileId!;
}, 120_000);
afterAll(() => demo.end());

async function inTime<T>(name: string, work: Promise<T>): Promise<T> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Error(`${name} never answers`)), patience);
  });
  return Promise.race([work, late]).finally(() => clearTimeout(timer));
}

/** What a page reads, after somebody has changed something on the shelf. */
async function view(): Promise<void> {
  const game = value(await currentGame(context));
  context.stocks.delete(game.id);
  const [stock, shown] = await Promise.all([getStock(context, game), viewProfile(context, profile)]);
  expect(stock.shelf.length).toBeGreaterThan(0);
  expect(shown!.profile.state.plugins.entries.length).toBeGreaterThan(0);
  await viewProfiles(context, game.id);
}

/** Switches a plugin over; answers whether it was stored, or had been made on a version that was old by then. */
async function edit(round: number): Promise<boolean> {
  const { version, state } = (await readProfile(context, profile))!;
  const { id, on } = state.plugins.entries[round % state.plugins.entries.length]!;
  const turned: Edit = {
    label: label(on ? "switch-off" : "switch-on", { item: id, count: 1 }),
    steps: [{ kind: "switch", list: "plugins", ids: [id], on: !on }],
  };
  const stored = await storeEdit(context, profile, version, turned);
  if (!stored.ok) expect(stored.refusal.code).toBe("stale");
  return stored.ok;
}

async function scan(shelf: string, path: string, round: number): Promise<void> {
  await utimes(join(shelf, path), 1_600_000_000 + round, 1_600_000_000 + round);
  value(await readShelfOfGame(context, () => undefined));
}

test(`reading the shelf, pages, edits and transfers at once, ${rounds} times: all are answered, and no edit is lost`, async () => {
  const game = value(await currentGame(context));
  const shelf = game.folders.shelves[0]!;
  const offered = new Set(value(await readCatalogue(context))!.mods.map(({ mod }) => mod.path));
  const lying = (await listShelf(context.db, game.id)).filter(
    ({ kind, problem }) => kind === "archive" && !problem,
  );
  const [gone, ...touched] = lying.filter(({ path }) => offered.has(path));
  await rm(join(shelf, gone!.path));
  const { version: first } = (await storedProfile(context, profile))!;
  value(await readShelfOfGame(context, () => undefined));
  const { version: before } = (await storedProfile(context, profile))!;
  expect(before).toBe(first);
  let stored = 0;
  for (let round = 0; round < rounds; round++) {
    const answers = await Promise.all([
      inTime("a scan", scan(shelf, touched[round % touched.length]!.path, round)),
      inTime("a page", view()),
      inTime("the first edit", edit(2 * round)),
      inTime("another page", view()),
      inTime("a transfer", getFromDepot(context, [gone!.path])),
      inTime("the second edit", edit(2 * round + 1)),
      inTime("what is to be written", readSituation(context, profile)),
    ]);
    stored += Number(answers[2]) + Number(answers[5]);
  }
  await inTime("the depot", context.depots.queues.get(game.id)!.settled());
  expect(value(await readDepot(context)).transfers.every(({ state }) => state !== "failed")).toBe(true);
  expect((await storedProfile(context, profile))!.version).toBeGreaterThanOrEqual(before + stored);
  expect(stored).toBeGreaterThanOrEqual(rounds);
}, 300_000);

test("who asks the database itself within a transaction is told so instead of waiting for ever", async () => {
  const asked = context.db.transaction(() => context.db.query("select 1"));
  await expect(asked).rejects.toThrow("within a transaction");
  expect(await context.db.query("select 1 as one")).toEqual([{ one: 1 }]);
});
