import { existsSync, realpathSync } from "node:fs";
import { dirname, join } from "node:path";
import { Worker } from "node:worker_threads";
import { root } from "../places";

/** `kind` as the unpacker calls it; `to` is the folder to unpack into, or null to list only. */
export interface UnpackTask {
  readonly archive: string;
  readonly kind: "7z" | "rar" | "rar5";
  readonly to: string | null;
}

/** What the unpacker printed, and what it complained of. */
export interface Unpacked {
  readonly lines: readonly string[];
  readonly faults: readonly string[];
}

const program = "unpack-worker.mjs";

/** The program lies beside the one that runs, or below the root that the server was started with. */
function findProgram(): string {
  const started = process.argv[1];
  const beside = started !== undefined && existsSync(started) ? [dirname(realpathSync(started))] : [];
  const found = [join(root(), "dist"), ...beside].map((folder) => join(folder, program)).find(existsSync);
  if (found === undefined) throw new Error(`${program} is not there; run npm run build`);
  return found;
}

/** One after another: each may need as much memory as the archive's dictionary has, up to some gigabytes. */
let last: Promise<unknown> = Promise.resolve();

/** Runs the unpacker in a thread; rejects where that breaks down, or takes longer than `milliseconds`. */
export function runUnpacker(task: UnpackTask, milliseconds: number): Promise<Unpacked> {
  const turn = last.then(() => runOne(task, milliseconds));
  last = turn.catch(() => undefined);
  return turn;
}

function runOne(task: UnpackTask, milliseconds: number): Promise<Unpacked> {
  return new Promise<Unpacked>((resolve, reject) => {
    const worker = new Worker(findProgram(), { workerData: task });
    const seconds = Math.round(milliseconds / 1000);
    const timer = setTimeout(() => {
      reject(new Error(`it took more than ${seconds} seconds`));
      void worker.terminate();
    }, milliseconds);
    worker.once("message", resolve);
    worker.once("error", reject);
    worker.once("exit", () => {
      clearTimeout(timer);
      reject(new Error("the unpacker ended without an answer"));
    });
  });
}
