import { PGlite } from "@electric-sql/pglite";
import { oneAtATime, type Db, type Sql } from "./sql";

interface Connection extends Sql {
  close(): Promise<void>;
}

const int8 = 20;
const numeric = 1700;

/** Of pages that the database keeps in memory; the 128 MB that it takes otherwise are filled once everything is read. */
const buffers = ["-c", "shared_buffers=64MB"];

/** Opens PostgreSQL in this process. `folder` may be `memory://`. The schema is not touched. */
export async function openConnection(folder: string): Promise<Connection> {
  const db = await PGlite.create(folder, {
    relaxedDurability: false,
    startParams: [...PGlite.defaultStartParams, ...buffers],
    parsers: { [int8]: Number, [numeric]: Number },
  });
  return {
    query: async <T>(text: string, params: readonly unknown[] = []) =>
      (await db.query<T>(text, [...params])).rows,
    exec: async (script) => void (await db.exec(script)),
    close: () => db.close(),
  };
}

/** For tests and programs that do little else; the server keeps its database in a worker thread. */
export async function openHere(folder: string): Promise<Db> {
  const connection = await openConnection(folder);
  return oneAtATime(connection, () => connection.close());
}
