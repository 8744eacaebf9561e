import { PGlite, type PGliteOptions } from "@electric-sql/pglite";
import { oneAtATime, type Connection, type Db } from "./sql";

const int8 = 20;
const numeric = 1700;

/** Of pages that the database keeps in memory; the 128 MB that it takes otherwise are filled once everything is read. */
const buffers = ["-c", "shared_buffers=64MB"];

/** Starts PostgreSQL in this process. `folder` may be `memory://`. The schema is not touched. */
export const startPostgres = (folder: string, more: PGliteOptions = {}): Promise<PGlite> =>
  PGlite.create(folder, {
    relaxedDurability: false,
    startParams: [...PGlite.defaultStartParams, ...buffers],
    parsers: { [int8]: Number, [numeric]: Number },
    ...more,
  });

export async function openConnection(folder: string): Promise<Connection> {
  return connectionTo(await startPostgres(folder));
}

const connectionTo = (db: PGlite): Connection => ({
  query: async <T>(text: string, params: readonly unknown[] = []) =>
    (await db.query<T>(text, [...params])).rows,
  exec: async (script) => void (await db.exec(script)),
  onNotification: (heard) => void db.onNotification(heard),
  close: () => db.close(),
});

/** For tests and programs that do little else; the server keeps its database in a worker thread. */
export const openHere = async (folder: string): Promise<Db> => dbOf(await startPostgres(folder));

export const dbOf = (postgres: PGlite): Db => oneAtATime(connectionTo(postgres));
