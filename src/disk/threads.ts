import { Worker } from "node:worker_threads";

/** What a thread answers to a job, which comes to it as a message. */
export type Done = { readonly value: unknown } | { readonly error: string };
/** What it tells of it before that. */
export type Told = { readonly told: unknown };

/** Milliseconds after which threads that have nothing to do are ended. */
const patience = 20_000;

interface Waiting {
  readonly job: unknown;
  readonly onTold: (told: never) => void;
  readonly resolve: (value: never) => void;
  readonly reject: (error: Error) => void;
}

/** A thread, and what it is at. */
interface Hand {
  readonly worker: Worker;
  at: Waiting | null;
}

/**
 * Gives jobs to at most so many worker threads that run `program`, a bundled one; each does one after another. They are started when
 * they are needed, end by themselves, and keep no program from ending. Where one breaks down over a job, that job alone is rejected.
 */
export function openThreads<Job>(
  program: string,
  most: number,
): <T, Telling = never>(job: Job, onTold?: (told: Telling) => void) => Promise<T> {
  const waiting: Waiting[] = [];
  const hands = new Set<Hand>();
  let resting: ReturnType<typeof setTimeout> | undefined;
  const start = (): Hand => {
    const hand: Hand = { worker: new Worker(program), at: null };
    const { worker } = hand;
    const end = (error: Error) => {
      hands.delete(hand);
      hand.at?.reject(error);
      hand.at = null;
      next();
    };
    hands.add(hand);
    worker.on("message", (done: Done | Told) => {
      if ("told" in done) return hand.at?.onTold(done.told as never);
      settle(hand, done);
      next();
    });
    worker.on("error", end);
    worker.on("exit", () => end(new Error("the thread that was at it has ended")));
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
    resting = setTimeout(dismiss, patience).unref();
  };
  const dismiss = () => {
    // One that is ending takes no job any more.
    for (const hand of hands) {
      hands.delete(hand);
      void hand.worker.terminate();
    }
  };
  return (job, onTold = () => undefined) =>
    new Promise((resolve, reject) => {
      waiting.push({ job, onTold, resolve, reject });
      next();
    });
}

function settle(hand: Hand, done: Done): void {
  const { at } = hand;
  hand.at = null;
  if ("value" in done) at?.resolve(done.value as never);
  else at?.reject(new Error(done.error));
}
