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

const mostHands = 4;

const isPacked = ({ kind, path }: ShelfPlace): boolean => kind === "archive" && !/\.zip$/i.test(path);

/** Milliseconds after which threads that have nothing to do are ended. */
const patience = 20_000;

/** A thread, and what it is at. */
interface Hand {
  readonly worker: Worker;
  at: Waiting | null;
}

/**
 * Reads in worker threads that run `program`, a bundled shelf-reader-worker; each does one thing after another. They are started when
 * they are needed, end by themselves, and keep no program from ending.
 */
export function readInWorkers(program: string): ShelfReader {
  const most = Math.min(mostHands, availableParallelism());
  const waiting: Waiting[] = [];
  const hands = new Set<Hand>();
  let resting: ReturnType<typeof setTimeout> | undefined;
  const start = (): Hand => {
    const hand: Hand = { worker: new Worker(program), at: null };
    const { worker } = hand;
    const end = (error: Error) => {
      // What it was at has ended it; another one goes on with what waits.
      hands.delete(hand);
      hand.at?.reject(error);
      hand.at = null;
      next();
    };
    hands.add(hand);
    worker.on("message", (done: JobDone) => {
      settle(hand, done);
      next();
    });
    worker.on("error", end);
    worker.on("exit", () => end(new Error("the thread that read it has ended")));
    return hand;
  };
  const next = () => {
    while (waiting.length > 0) {
      const hand = [...hands].find(({ at }) => !at) ?? (hands.size < most ? start() : null);
      if (!hand) return;
      clearTimeout(resting);
      hand.at = waiting.shift()!;
      hand.worker.ref();
      hand.worker.postMessage(hand.at.job);
    }
    if ([...hands].every(({ at }) => !at)) rest();
  };
  const rest = () => {
    clearTimeout(resting);
    for (const { worker } of hands) worker.unref();
    resting = setTimeout(() => hands.forEach(({ worker }) => void worker.terminate()), patience).unref();
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
    hands: most,
    placesOf: (...what) => ask<(ShelfPlace | null)[]>({ name: "placesOf", what }),
    readMod: (...what) => (isPacked(what[2]) ? readPacked(what) : read(what)),
  };
}

function settle(hand: Hand, done: JobDone): void {
  const { at } = hand;
  hand.at = null;
  if ("value" in done) at?.resolve(done.value as never);
  else at?.reject(new Error(done.error));
}
