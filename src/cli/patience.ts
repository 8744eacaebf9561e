import { Worker } from "node:worker_threads";

/** Milliseconds after which it is told that something is still under way. */
const patience = 1000;

/** In a thread of its own: an order is computed without a pause in which anything could be written. */
const ticking = `
const { writeSync } = require("node:fs");
const { workerData: { text, isTerminal } } = require("node:worker_threads");
const begun = Date.now();
let isTold = false;
setInterval(() => {
  if (isTold && !isTerminal) return;
  isTold = true;
  const seconds = Math.round((Date.now() - begun) / 1000);
  writeSync(2, isTerminal ? "\\r" + text + " " + seconds + " s" : text + "\\n");
}, ${patience});`;

/** Tells on the standard error what is under way, where it takes over a second: each second on a terminal, else once. */
export async function withPatience<T>(text: string, work: () => Promise<T>): Promise<T> {
  const isTerminal = process.stderr.isTTY === true;
  const worker = new Worker(ticking, { eval: true, execArgv: [], workerData: { text, isTerminal } });
  worker.unref();
  const begun = Date.now();
  try {
    return await work();
  } finally {
    await worker.terminate();
    if (isTerminal && Date.now() - begun >= patience) process.stderr.write("\r\x1b[K");
  }
}
