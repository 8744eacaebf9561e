import { cp, mkdtemp, readdir, readFile, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { strFromU8, unzipSync } from "fflate";
import { migrate } from "@/store/migrate";
import { openHere } from "@/store/pglite";
import * as whole from "@/store/whole";
import { newContext, type Context } from "../context";
import { openDepots } from "../depot/depots";
import { upgradeStored } from "../upgrade";

const migrations = join(process.cwd(), "src/store/migrations");

/** A folder with the migrations up to a number. */
async function migrationsUpTo(number: number): Promise<string> {
  const folder = await mkdtemp(join(tmpdir(), "seating-migrations-"));
  for (const name of await readdir(migrations))
    if (Number(name.slice(0, 4)) <= number) await cp(join(migrations, name), join(folder, name));
  return folder;
}

/** What an earlier version kept, as its own export of everything with what it answered of it, brought up to date. */
export async function openEarlier<Expected>(
  number: number,
): Promise<{ context: Context; expected: Expected }> {
  const name = `folder-of-${String(number).padStart(4, "0")}.seating.zip`;
  const files = unzipSync(await readFile(join(process.cwd(), "src/server/testing", name)));
  const tables = new Map(
    Object.entries(files)
      .filter(([path]) => path.startsWith("tables/"))
      .map(([path, bytes]) => [path.slice("tables/".length, -".json".length), strFromU8(bytes)]),
  );
  const db = await openHere("memory://");
  const folder = await migrationsUpTo(number);
  await migrate(db, folder);
  await rm(folder, { recursive: true });
  await db.transaction((tx) =>
    whole.withoutReferences(tx, async () => {
      for (const table of await whole.listTables(tx)) {
        await whole.emptyTable(tx, table);
        const rows = JSON.parse(tables.get(table) ?? "[]") as unknown[];
        if (rows.length > 0)
          await whole.addRows(
            tx,
            table,
            rows.map((row) => JSON.stringify(row)),
          );
      }
    }),
  );
  await migrate(db, migrations);
  await upgradeStored(db);
  const none = join(tmpdir(), "seating-none");
  return {
    context: await newContext(db, none, openDepots(none, 1e9)),
    expected: JSON.parse(strFromU8(files["expected.json"]!)) as Expected,
  };
}
