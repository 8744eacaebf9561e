import "server-only";
import { mkdir, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import { z } from "zod";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { Refusal } from "@/core/model/refusal";
import { readDefinition } from "@/core/game/definition-flaws";
import { Step } from "@/core/model/edit";
import { ProfileState } from "@/core/model/profile";
import { listGames, saveGame, type RegisteredGame } from "@/store/games";
import { listAllSteps } from "@/store/journal";
import { findProfile, findRun, latestVersion, listProfiles, raiseVersions } from "@/store/profiles";
import { findRestorePoint, listRestorePoints } from "@/store/restore-points";
import type { Tx } from "@/store/sql";
import { findDangling, listTables, readTable, replaceTables, schemaName } from "@/store/whole";
import type { Context } from "../context";

const Head = z.looseObject({ format: z.literal("seating-data/1"), schema: z.string() });
const headName = "seating-data.json";
const tableName = /^tables\/([a-z_]+)\.json$/;
/** Of everything unpacked. */
const largest = 2 ** 30;

/** Everything that Seating keeps, as one archive: a head, and a JSON file a table. Mods and games themselves stay where they lie. */
export async function exportData({ db }: Pick<Context, "db">, at: Date): Promise<Uint8Array> {
  const files: Record<string, Uint8Array> = {};
  await db.transaction(async (tx) => {
    const head = { format: "seating-data/1", schema: await schemaName(tx), made: at.toISOString() };
    files[headName] = strToU8(`${JSON.stringify(head, null, 2)}\n`);
    for (const table of await listTables(tx)) {
      const rows = await readTable(tx, table);
      if (rows !== null) files[`tables/${table}.json`] = strToU8(rows);
    }
  });
  return zipSync(files, { level: 6 });
}

export interface DataTaken {
  /** Where what was there before is kept, as an archive of the same kind. */
  readonly keptAt: string;
}

/** Puts an export in place of everything; what was there before is kept as an archive in `folder`. */
export async function importData(
  context: Context,
  bytes: Uint8Array,
  folder: string,
  at: Date,
): Promise<Outcome<DataTaken>> {
  const read = readArchive(bytes);
  if (!read.ok) return read;
  const { schema, tables } = read.value;
  const present = await schemaName(context.db);
  if (schema !== present) return refuse("data-schema", { schema, present });
  await mkdir(folder, { recursive: true });
  const keptAt = join(folder, `before-${at.toISOString().replace(/[:.]/g, "-")}.seating.zip`);
  await writeFile(keptAt, await exportData(context, at));
  const problem = await replaceAll(context, tables);
  if (problem) return { ok: false, refusal: problem };
  context.stocks.clear();
  context.orders.clear();
  context.events.publish({ kind: "all" });
  return done({ keptAt });
}

/** All or nothing: a refusal is thrown within the transaction, so that it is rolled back. */
async function replaceAll(context: Context, tables: ReadonlyMap<string, string>): Promise<Refusal | null> {
  const before = await listGames(context.db);
  try {
    await context.db.transaction(async (tx) => {
      const version = await latestVersion(tx);
      await replaceTables(tx, tables);
      const dangling = await findDangling(tx);
      if (dangling !== null) throw new Error(`rows refer to what is not there (${dangling})`);
      await checkRows(tx);
      await nameFolders(tx, context.folder, before);
      // An edit that a window made on what was there before is stale, whatever number it had.
      await raiseVersions(tx, version);
    });
    return null;
  } catch (error) {
    const detail = error instanceof Error ? error.message : String(error);
    return { code: "data-unsound", data: { detail } };
  }
}

/** Everything is read once as it will be read later; throws at the first that is not what it should be. */
async function checkRows(tx: Tx): Promise<void> {
  const games = await listGames(tx);
  if (games.length === 0) throw new Error("it holds no game");
  for (const { id, definition } of games) {
    const [flaw] = readDefinition(definition).flaws;
    if (flaw) throw new Error(`the definition of ${id} is not in order: ${flaw.path} ${flaw.text}`);
    for (const profile of await listProfiles(tx, id)) {
      const found = profile.deletedAt ? null : await findProfile(tx, profile.id);
      if (found) ProfileState.parse(found.state);
      for (const point of await listRestorePoints(tx, profile.id)) await findRestorePoint(tx, point.id);
      await findRun(tx, profile.id);
    }
  }
  for (const { steps, inverse } of await listAllSteps(tx)) z.array(Step).parse([...steps, ...inverse]);
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

function readArchive(bytes: Uint8Array): Outcome<{ schema: string; tables: Map<string, string> }> {
  let size = 0;
  try {
    const files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        size += originalSize;
        return size <= largest && (name === headName || tableName.test(name));
      },
    });
    if (size > largest) return refuse("too-large", { name: "The archive", limit: `${largest / 2 ** 20} MB` });
    const head = files[headName] && Head.safeParse(JSON.parse(strFromU8(files[headName])));
    if (!head?.success) return refuse("data-not");
    const tables = new Map<string, string>();
    for (const [name, contents] of Object.entries(files)) {
      const table = tableName.exec(name)?.[1];
      if (table !== undefined) tables.set(table, strFromU8(contents));
    }
    return done({ schema: head.data.schema, tables });
  } catch {
    return refuse("data-not");
  }
}
