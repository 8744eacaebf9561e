/** Runs one statement with parameters, or a script without. */
export interface Sql {
  query<T>(text: string, params?: readonly unknown[]): Promise<T[]>;
  exec(script: string): Promise<void>;
}

export interface Database extends Sql {
  /** Within `work` only the handle that it is given may be used: the outer one waits until the transaction ends. */
  transaction<T>(work: (tx: Sql) => Promise<T>): Promise<T>;
  close(): Promise<void>;
}

/** One statement after another on one connection, and transactions that no other statement gets between. */
export function oneAtATime(connection: Sql, close: () => Promise<void>): Database {
  let last: Promise<unknown> = Promise.resolve();
  const queue = <T>(work: () => Promise<T>): Promise<T> => {
    const result = last.then(work, work);
    last = result.catch(() => undefined);
    return result;
  };
  return {
    query: (text, params) => queue(() => connection.query(text, params)),
    exec: (script) => queue(() => connection.exec(script)),
    transaction: (work) => queue(() => inTransaction(connection, work)),
    close: () => queue(close),
  };
}

async function inTransaction<T>(connection: Sql, work: (tx: Sql) => Promise<T>): Promise<T> {
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
