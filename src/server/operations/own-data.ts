import "server-only";
import { mkdir, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import { z } from "zod";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { Refusal } from "@/core/model/refusal";
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
async function replaceAll({ db }: Context, tables: ReadonlyMap<string, string>): Promise<Refusal | null> {
  try {
    await db.transaction(async (tx) => {
      await replaceTables(tx, tables);
      const dangling = await findDangling(tx);
      if (dangling !== null) throw new Error(`rows refer to what is not there (${dangling})`);
    });
    return null;
  } catch (error) {
    const detail = error instanceof Error ? error.message : String(error);
    return { code: "data-unsound", data: { detail } };
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
