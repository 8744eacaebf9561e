import { existsSync } from "node:fs";
import { join } from "node:path";
import { Worker } from "node:worker_threads";
import { oneAtATime, type Db } from "./sql";

export interface Ask {
  readonly number: number;
  readonly kind: "query" | "exec" | "close";
  readonly text: string;
  readonly params: readonly unknown[];
}

export interface Answer {
  readonly number: number;
  readonly value?: unknown;
  readonly error?: { readonly message: string; readonly code?: string | undefined };
}

export interface Notice {
  readonly channel: string;
  readonly payload: string;
}

/**
 * Opens the database of a folder in a worker thread that runs `program`, a bundled database-worker. It is made in a thread of its own:
 * one that has made a database keeps 450 MB more than one that opens it.
 */
export async function openInWorker(program: string, folder: string): Promise<Db> {
  if (!existsSync(join(folder, "PG_VERSION"))) await (await open(program, folder)).close();
  return open(program, folder);
}

async function open(program: string, folder: string): Promise<Db> {
  const worker = new Worker(program, { workerData: { folder } });
  const waiting = new Map<number, { resolve: (value: never) => void; reject: (error: Error) => void }>();
  let asked = 0;
  let gone: Error | null = null;
  const failAll = (error: Error) => {
    gone ??= error;
    for (const { reject } of waiting.values()) reject(error);
    waiting.clear();
  };
  worker.on("error", failAll);
  worker.on("exit", () => failAll(new Error("the database's thread has ended")));
  const heard: ((channel: string, payload: string) => void)[] = [];
  worker.on("message", (message: Answer | Notice) => {
    if ("channel" in message) return heard.forEach((hear) => hear(message.channel, message.payload));
    const { number, value, error } = message;
    const one = waiting.get(number);
    waiting.delete(number);
    if (error) one?.reject(Object.assign(new Error(error.message), { code: error.code }));
    else one?.resolve(value as never);
  });
  const answerTo = <T>(number: number) =>
    new Promise<T>((resolve, reject) => waiting.set(number, { resolve, reject }));
  const ask = <T>(kind: Ask["kind"], text: string, params: readonly unknown[] = []): Promise<T> => {
    // Nobody would answer any more.
    if (gone) return Promise.reject(gone);
    const number = ++asked;
    const answer = answerTo<T>(number);
    worker.postMessage({ number, kind, text, params } satisfies Ask);
    return answer;
  };
  await answerTo(0);
  return oneAtATime({
    query: (text, params) => ask("query", text, params),
    exec: (script) => ask("exec", script),
    onNotification: (hear) => heard.push(hear),
    close: async () => {
      await ask("close", "");
      await worker.terminate();
    },
  });
}
