import { createHash } from "node:crypto";
import { existsSync } from "node:fs";
import { mkdir, readFile, rename, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { migrate, readMigrations } from "../migrate";
import { dbOf, startPostgres } from "../pglite";
import type { Db } from "../sql";

const migrations = join(process.cwd(), "src/store/migrations");
const cache = join(process.cwd(), ".cache/databases");
const memory = "memory://";

/** A database in memory with the present schema and nothing else: a copy of one that is made once, for making one takes seconds. */
export async function openUpToDate(): Promise<Db> {
  const kept = join(cache, `${await whatItIsMadeOf()}.tar`);
  if (!existsSync(kept)) await makeOnce(kept);
  return dbOf(await startPostgres(memory, { loadDataDir: new Blob([await readFile(kept)]) }));
}

/** A name of the migrations and of the PostgreSQL that runs them. */
async function whatItIsMadeOf(): Promise<string> {
  const hash = createHash("sha256");
  for (const { name, sha256 } of await readMigrations(migrations)) hash.update(`${name} ${sha256}\n`);
  hash.update(await readFile(join(process.cwd(), "node_modules/@electric-sql/pglite/package.json")));
  return hash.digest("hex").slice(0, 16);
}

/** Another test file may make it at the same time: whole files alone get the name. */
async function makeOnce(path: string): Promise<void> {
  const postgres = await startPostgres(memory);
  const db = dbOf(postgres);
  await migrate(db, migrations);
  const dump = await postgres.dumpDataDir("none");
  await db.close();
  await mkdir(cache, { recursive: true });
  const own = `${path}-${process.pid}`;
  await writeFile(own, Buffer.from(await dump.arrayBuffer()));
  await rename(own, path);
}
