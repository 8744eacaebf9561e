import { createHash } from "node:crypto";
import { readdir, readFile } from "node:fs/promises";
import { join } from "node:path";
import type { Db } from "./sql";

/** Brings the schema up to date: the .sql files of a folder by name, each once and in a transaction of its own. */
export async function migrate(db: Db, folder: string): Promise<void> {
  await db.exec(`create table if not exists migration (
    name text primary key, sha256 text not null, at timestamptz not null default now())`);
  const applied = await db.query<{ name: string; sha256: string }>(
    "select name, sha256 from migration order by name",
  );
  const known = new Map(applied.map((row) => [row.name, row.sha256]));
  for (const name of (await readdir(folder)).filter((each) => each.endsWith(".sql")).sort()) {
    const script = await readFile(join(folder, name), "utf8");
    const sha256 = createHash("sha256").update(script).digest("hex");
    const before = known.get(name);
    if (before === sha256) continue;
    if (before) throw new Error(`The migration ${name} was changed after it had been applied.`);
    await db.transaction(async (tx) => {
      await tx.exec(script);
      await tx.query("insert into migration (name, sha256) values ($1, $2)", [name, sha256]);
    });
  }
}
