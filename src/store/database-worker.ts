import { parentPort, workerData } from "node:worker_threads";
import { openConnection } from "./pglite";
import type { Answer, Ask, Notice } from "./worker-database";

/** Runs PostgreSQL in a worker thread, for a query blocks the thread that it runs in. */
async function main(): Promise<void> {
  const port = parentPort!;
  const connection = await openConnection((workerData as { folder: string }).folder);
  const run = (ask: Ask): Promise<unknown> => {
    if (ask.kind === "query") return connection.query(ask.text, ask.params);
    if (ask.kind === "exec") return connection.exec(ask.text);
    return connection.close();
  };
  port.on("message", (ask: Ask) => {
    run(ask).then(
      (value) => port.postMessage({ number: ask.number, value } satisfies Answer),
      (error: Error & { code?: string }) =>
        port.postMessage({
          number: ask.number,
          error: { message: error.message, code: error.code },
        } satisfies Answer),
    );
  });
  connection.onNotification((channel, payload) => port.postMessage({ channel, payload } satisfies Notice));
  port.postMessage({ number: 0, value: null } satisfies Answer);
}

void main();
