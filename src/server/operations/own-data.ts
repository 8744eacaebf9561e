import { say } from "@/core/language/say";
import "server-only";
import { mkdir, readdir, rename, rm } from "node:fs/promises";
import { join } from "node:path";
import { z } from "zod";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { readDefinition } from "@/core/game/definition-flaws";
import { openZip } from "@/disk/zip-archive";
import { readRows, RowArchiveWriter } from "@/disk/row-archive";
import type { ModFile } from "@/disk/mod-file";
import {
  listGames,
  removeGame as deleteGame,
  saveGame,
  updateDefinitions,
  type RegisteredGame,
} from "@/store/games";
import { checkJournal } from "@/store/journal";
import { checkKeptLists } from "@/store/lineups";
import { applyMigration, makeLedger, readMigrations } from "@/store/migrate";
import { findProfile, findRun, latestVersion, listProfiles, raiseVersions } from "@/store/profiles";
import { forgetConfirmed } from "@/store/trials";
import { findRestorePoint, listRestorePoints } from "@/store/restore-points";
import type { Tx } from "@/store/sql";
import * as whole from "@/store/whole";
import { games as shipped } from "@/standin/games";
import { migrationsFolder, type Context } from "../context";
import { upgradeGame } from "../upgrade";

const Head = z.looseObject({ format: z.literal("seating-data/1"), schema: z.string(), made: z.string() });
const headName = "seating-data.json";
/** Bytes of everything unpacked. */
const largest = 8 * 2 ** 30;
const tableName = /^tables\/([a-z_]+)\.json$/;

/**
 * Everything that Seating keeps, as one archive at `path`: a head, and a JSON file a table. Mods and games themselves stay where they
 * are. Nothing can be stored meanwhile, so that it is of one moment; whoever fetches it slowly does so after that.
 */
export async function exportInto({ db }: Pick<Context, "db">, path: string, at: Date): Promise<void> {
  const writer = new RowArchiveWriter(path);
  await db.transaction(async (tx) => {
    const head = { format: "seating-data/1", schema: await whole.schemaName(tx), made: at.toISOString() };
    await writer.add(headName, `${JSON.stringify(head, null, 2)}\n`);
    for (const table of await whole.listTables(tx))
      await writer.addRows(`tables/${table}.json`, whole.readTable(tx, table));
  });
  await writer.end();
}

/** What is in an archive of everything, to be told before it takes the place of what is there. */
export interface DataSummary {
  /** ISO 8601. */
  readonly made: string;
  readonly games: readonly { readonly name: string; readonly profiles: readonly string[] }[];
}

/** Nothing is changed; all that makes the archive unusable is found here, as it would be when it is brought in. */
export async function lookAtData(context: Context, path: string): Promise<Outcome<DataSummary>> {
  return withArchive(path, async (archive) => {
    const found: DataSummary[] = [];
    const looked = await inTransaction(context, async (tx) => {
      await arrive(tx, archive);
      found.push({ made: archive.made, games: await summaryOf(tx) });
      throw new Looked();
    });
    return found[0] ? done(found[0]) : looked.ok ? refuse("data-not") : looked;
  });
}

/** Ends a transaction in which nothing was wrong and nothing is to stay. */
class Looked extends Error {}

async function summaryOf(tx: Tx): Promise<DataSummary["games"]> {
  const games = [];
  for (const { id, definition } of await listGames(tx)) {
    const profiles = (await listProfiles(tx, id)).filter(({ deletedAt }) => !deletedAt);
    games.push({ name: definition.name, profiles: profiles.map(({ name }) => name) });
  }
  return games;
}

export interface DataTaken {
  /** Name, in the folder of what is kept, of an archive of what was there before. */
  readonly kept: string;
}

/** Puts an export, also one of an earlier version, in place of everything; what was there before is kept in `folder`. */
export async function importData(
  context: Context,
  path: string,
  folder: string,
  at: Date,
): Promise<Outcome<DataTaken>> {
  return withArchive(path, async (archive) => {
    const kept = await keepPresent(context, folder, at);
    const before = await listGames(context.db);
    const taken = await inTransaction(context, async (tx) => {
      const version = await latestVersion(tx);
      await arrive(tx, archive);
      await nameFolders(tx, context.folder, before);
      // An edit that a window made on what was there before is stale, whatever number it had.
      await raiseVersions(tx, version);
      await whole.bringIn(tx);
    });
    if (!taken.ok) {
      await rm(join(folder, kept), { force: true });
      return taken;
    }
    becameAnother(context);
    return done({ kept });
  });
}

/** Removes a game with all that is kept of it; everything as it was is kept in `folder` first. The game itself and its mods stay. */
export async function removeGame(
  context: Context,
  id: string,
  folder: string,
  at: Date,
): Promise<Outcome<DataTaken>> {
  if (!(await listGames(context.db)).some((game) => game.id === id)) return refuse("no-game");
  const kept = await keepPresent(context, folder, at);
  await context.db.transaction((tx) => deleteGame(tx, id));
  becameAnother(context);
  return done({ kept });
}

/** Nothing of what was read before holds any more, in any window. */
function becameAnother({ stocks, orders, events }: Context): void {
  stocks.clear();
  orders.clear();
  events.publish({ kind: "all" });
}

/** Under its name, which is answered, only when it is whole. */
async function keepPresent(context: Context, folder: string, at: Date): Promise<string> {
  const name = `before-${at.toISOString().replace(/[:.]/g, "-")}.seating.zip`;
  await mkdir(folder, { recursive: true });
  const draft = join(folder, `${name}.part`);
  await rm(draft, { force: true });
  await exportInto(context, draft, at);
  await rename(draft, join(folder, name));
  return name;
}

/** Archives of what was there before something took its place, the newest first. */
export async function listKept(folder: string): Promise<Outcome<string[]>> {
  const names = await readdir(folder).catch(() => []);
  return done(
    names
      .filter((name) => keptName.test(name))
      .sort()
      .reverse(),
  );
}

export const keptName = /^before-[0-9TZ-]+\.seating\.zip$/;

interface Archive {
  readonly schema: string;
  readonly made: string;
  readonly tables: readonly { readonly table: string; readonly file: ModFile }[];
}

async function withArchive<T>(
  path: string,
  work: (archive: Archive) => Promise<Outcome<T>>,
): Promise<Outcome<T>> {
  const opened = await openZip(path);
  if (!opened.ok) return refuse("data-not");
  const { files, close } = opened.value;
  if (files.reduce((sum, { size }) => sum + size, 0) > largest) {
    await close();
    return refuse("too-large", {
      name: say("server.theArchive"),
      limit: say("server.gB", { rest: largest / 2 ** 30 }),
    });
  }
  try {
    const head = await readHead(files.find((file) => file.path === headName));
    if (!head) return refuse("data-not");
    const tables = files.flatMap((file) => {
      const table = tableName.exec(file.path)?.[1];
      return table === undefined ? [] : [{ table, file }];
    });
    return await work({ ...head, tables });
  } finally {
    await close();
  }
}

async function readHead(file: ModFile | undefined): Promise<Omit<Archive, "tables"> | null> {
  if (!file || file.size > 10_000) return null;
  try {
    let text = "";
    for await (const part of await file.open()) text += Buffer.from(part as Uint8Array).toString("utf8");
    return Head.parse(JSON.parse(text));
  } catch {
    return null;
  }
}

/** All or nothing: what is wrong is thrown within the transaction, so that it is rolled back. */
async function inTransaction(context: Context, work: (tx: Tx) => Promise<void>): Promise<Outcome<null>> {
  try {
    await context.db.transaction(work);
    return done(null);
  } catch (error) {
    if (error instanceof OtherSchema) return refuse("data-schema", error.data);
    return refuse("data-unsound", { detail: error instanceof Error ? error.message : String(error) });
  }
}

class OtherSchema extends Error {
  constructor(readonly data: { readonly schema: string; readonly present: string }) {
    super(data.schema);
  }
}

/** Aside from all that is there: as the version that made it had it, then brought up to date, then checked. */
async function arrive(tx: Tx, { schema, tables }: Archive): Promise<void> {
  const migrations = await readMigrations(migrationsFolder());
  const known = migrations.findIndex(({ name }) => name === schema);
  if (known < 0) throw new OtherSchema({ schema, present: migrations.at(-1)!.name });
  await whole.goAside(tx);
  await makeLedger(tx);
  for (const migration of migrations.slice(0, known + 1)) await applyMigration(tx, migration);
  await whole.withoutReferences(tx, async () => {
    for (const table of await whole.listTables(tx)) {
      await whole.emptyTable(tx, table);
      const file = tables.find((each) => each.table === table)?.file;
      if (!file) continue;
      for await (const rows of readRows(file)) if (rows.length > 0) await whole.addRows(tx, table, rows);
    }
  });
  for (const migration of migrations.slice(known + 1)) await applyMigration(tx, migration);
  const dangling = await whole.findDangling(tx);
  if (dangling !== null) throw new Error(`rows refer to what is not there (${dangling})`);
  for (const { id } of await listGames(tx)) await upgradeGame(tx, id);
  await updateDefinitions(tx, shipped);
  await forgetConfirmed(tx);
  await checkRows(tx);
}

/** Everything is read once as it will be read later; throws at the first that is not what it should be. */
async function checkRows(tx: Tx): Promise<void> {
  const games = await listGames(tx);
  if (games.length === 0) throw new Error("it holds no game");
  for (const { id, definition } of games) {
    const [flaw] = readDefinition(definition).flaws;
    if (flaw) throw new Error(`the definition of ${id} is not in order: ${flaw.path} ${flaw.text}`);
    for (const profile of await listProfiles(tx, id)) {
      if (!profile.deletedAt) await findProfile(tx, profile.id);
      for (const point of await listRestorePoints(tx, profile.id)) await findRestorePoint(tx, point.id);
      await findRun(tx, profile.id);
      await checkJournal(tx, profile.id);
      await checkKeptLists(tx, profile.id);
    }
  }
}

/**
 * What an archive says of folders counts only where its user has named them here for the same game; until they are named, a game has an
 * empty folder of Seating's own, in which nothing is written, for no game lies there.
 */
async function nameFolders(tx: Tx, home: string, before: readonly RegisteredGame[]): Promise<void> {
  for (const game of await listGames(tx)) {
    const unnamed = join(home, "unnamed", game.id);
    const named = before.find(({ id }) => id === game.id)?.folders;
    if (!named) await mkdir(unnamed, { recursive: true });
    await saveGame(tx, {
      ...game,
      folders: named ?? { game: unnamed, order: unnamed, shelves: [unnamed] },
    });
  }
}
