import { AsyncLocalStorage } from "node:async_hooks";

/** Runs one statement with parameters, or a script without: of the database itself, or within a transaction. */
export interface Sql {
  query<T>(text: string, params?: readonly unknown[]): Promise<T[]>;
  exec(script: string): Promise<void>;
}

/**
 * The open database. What is asked of it waits until the transaction that is open ends, so that nothing within one may wait for
 * it, not by way of a cache either: what a transaction needs of it is loaded before it begins.
 */
export interface Db extends Sql {
  /** Within `work` only the handle that it is given may be used; any use of the outer one throws. */
  transaction<T>(work: (tx: Tx) => Promise<T>): Promise<T>;
  /** Hears what `pg_notify` says in a channel, as soon as the transaction is over and before whoever waits for that goes on. */
  listen(channel: string, heard: Heard): Promise<void>;
  close(): Promise<void>;
}

type Heard = (payload: string) => void;

/** One connection to PostgreSQL. */
export interface Connection extends Sql {
  onNotification(heard: (channel: string, payload: string) => void): void;
  close(): Promise<void>;
}

declare const within: unique symbol;

/** An open transaction, which is over when the work that it was given to is done. */
export interface Tx extends Sql {
  readonly [within]: true;
}

/** One statement after another on one connection, and transactions that no other statement gets between. */
export function oneAtATime(connection: Connection): Db {
  let last: Promise<unknown> = Promise.resolve();
  const inside = new AsyncLocalStorage<true>();
  const queue = <T>(work: () => Promise<T>): Promise<T> => {
    if (inside.getStore())
      return Promise.reject(
        new Error("the database was asked within a transaction, which would wait for itself"),
      );
    const result = last.then(work, work);
    last = result.catch(() => undefined);
    return result;
  };
  const listeners = new Map<string, Heard>();
  connection.onNotification((channel, payload) => listeners.get(channel)?.(payload));
  return {
    query: (text, params) => queue(() => connection.query(text, params)),
    exec: (script) => queue(() => connection.exec(script)),
    transaction: (work) => queue(() => inside.run(true, () => inTransaction(connection as Sql as Tx, work))),
    listen: (channel, heard) => {
      listeners.set(channel, heard);
      return queue(() => connection.exec(`listen ${channel}`));
    },
    close: () => queue(() => connection.close()),
  };
}

async function inTransaction<T>(connection: Tx, work: (tx: Tx) => Promise<T>): Promise<T> {
  await connection.exec("begin");
  try {
    const result = await work(connection);
    await connection.exec("commit");
    return result;
  } catch (error) {
    await connection.exec("rollback");
    throw error;
  }
}
