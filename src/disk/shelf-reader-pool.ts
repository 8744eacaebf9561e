import { availableParallelism } from "node:os";
import { Worker } from "node:worker_threads";
import type { ShelfMod } from "@/core/model/shelf";
import type { ShelfPlace } from "./shelf-places";
import type { ShelfReader } from "./shelf-reader";

/** What a worker is asked: a function of a shelf reader, and what it is called with. */
export type Job = {
  [Name in "placesOf" | "readMod"]: { readonly name: Name; readonly what: Parameters<ShelfReader[Name]> };
}["placesOf" | "readMod"];

export type JobDone = { readonly value: unknown } | { readonly error: string };

interface Waiting {
  readonly job: Job;
  readonly resolve: (value: never) => void;
  readonly reject: (error: Error) => void;
}

const most = 4;

const isPacked = ({ kind, path }: ShelfPlace): boolean => kind === "archive" && !/\.zip$/i.test(path);

/** Reads in worker threads that run `program`, a bundled shelf-reader-worker; each does one thing after another. */
export function readInWorkers(program: string): ShelfReader {
  const hands = Math.min(most, availableParallelism());
  const waiting: Waiting[] = [];
  const idle: Worker[] = [];
  const all = new Set<Worker>();
  const start = (): Worker => {
    const worker = new Worker(program);
    all.add(worker);
    return worker;
  };
  const next = () => {
    if (waiting.length === 0) return;
    const worker = idle.pop() ?? (all.size < hands ? start() : null);
    if (worker) give(worker, waiting.shift()!);
  };
  const give = (worker: Worker, { job, resolve, reject }: Waiting) => {
    const leave = () => {
      worker.removeAllListeners("message").removeAllListeners("error").removeAllListeners("exit");
      next();
    };
    const fail = (error: Error) => {
      // What it was at has ended it; another one goes on with what waits.
      all.delete(worker);
      leave();
      reject(error);
    };
    worker.once("message", (done: JobDone) => {
      idle.push(worker);
      leave();
      if ("value" in done) resolve(done.value as never);
      else reject(new Error(done.error));
    });
    worker.once("error", fail);
    worker.once("exit", () => fail(new Error("the thread that read it has ended")));
    worker.postMessage(job);
  };
  const ask = <T>(job: Job): Promise<T> =>
    new Promise((resolve, reject) => {
      waiting.push({ job, resolve, reject });
      next();
    });
  const read = (what: Parameters<ShelfReader["readMod"]>) => ask<ShelfMod>({ name: "readMod", what });
  /** One after another: each may need as much memory as the dictionary of the archive has, up to some gigabytes. */
  let lastPacked: Promise<unknown> = Promise.resolve();
  const readPacked = (what: Parameters<ShelfReader["readMod"]>) => {
    const turn = lastPacked.then(() => read(what));
    lastPacked = turn.catch(() => undefined);
    return turn;
  };
  return {
    hands,
    placesOf: (...what) => ask<(ShelfPlace | null)[]>({ name: "placesOf", what }),
    readMod: (...what) => (isPacked(what[2]) ? readPacked(what) : read(what)),
    close: async () => {
      await Promise.all([...all].map((worker) => worker.removeAllListeners().terminate()));
    },
  };
}
