import { wrap, type Remote } from "comlink";
import type { Jobs } from "./jobs";

let worker: { thread: Worker; remote: Remote<Jobs> } | null = null;

function start(): { thread: Worker; remote: Remote<Jobs> } {
  const thread = new Worker(new URL("./worker.ts", import.meta.url), { type: "module" });
  return { thread, remote: wrap<Jobs>(thread) };
}

/** The jobs, done in a web worker that is started with the first question. */
export function askWorker(): Remote<Jobs> {
  worker ??= start();
  return worker.remote;
}

/** Ends the worker and with it the question under way; its answer never comes. */
export function cancelWork(): void {
  worker?.thread.terminate();
  worker = null;
}
