import { createHash } from "node:crypto";
import { readdir, readFile } from "node:fs/promises";
import { join } from "node:path";
import type { Db, Sql, Tx } from "./sql";

interface Migration {
  readonly name: string;
  readonly script: string;
  readonly sha256: string;
}

/** The .sql files of a folder, by name. */
export async function readMigrations(folder: string): Promise<Migration[]> {
  const names = (await readdir(folder)).filter((each) => each.endsWith(".sql")).sort();
  return Promise.all(
    names.map(async (name) => {
      const script = await readFile(join(folder, name), "utf8");
      return { name, script, sha256: createHash("sha256").update(script).digest("hex") };
    }),
  );
}

/** Brings the schema up to date: each migration once and in a transaction of its own. */
export async function migrate(db: Db, folder: string): Promise<void> {
  await makeLedger(db);
  const applied = await db.query<{ name: string; sha256: string }>(
    "select name, sha256 from migration order by name",
  );
  const known = new Map(applied.map((row) => [row.name, row.sha256]));
  for (const migration of await readMigrations(folder)) {
    const before = known.get(migration.name);
    if (before === migration.sha256) continue;
    if (before) throw new Error(`The migration ${migration.name} was changed after it had been applied.`);
    await db.transaction((tx) => applyMigration(tx, migration));
  }
}

export const makeLedger = (db: Sql) =>
  db.exec(`create table if not exists migration (
    name text primary key, sha256 text not null, at timestamptz not null default now())`);

export async function applyMigration(tx: Tx, { name, script, sha256 }: Migration): Promise<void> {
  await tx.exec(script);
  await tx.query("insert into migration (name, sha256) values ($1, $2)", [name, sha256]);
}
