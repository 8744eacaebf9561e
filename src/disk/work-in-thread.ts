import { parentPort } from "node:worker_threads";
import type { Done, Told } from "./threads";

/** Answers the jobs that `openThreads` gives this thread; `tell` says something of one before it is done. */
export function workInThread<Job>(run: (job: Job, tell: (told: unknown) => void) => unknown): void {
  const port = parentPort!;
  const tell = (told: unknown) => port.postMessage({ told } satisfies Told);
  const answer = async (job: Job): Promise<Done> => {
    try {
      return { value: await run(job, tell) };
    } catch (error) {
      return { error: error instanceof Error ? error.message : String(error) };
    }
  };
  port.on("message", (job: Job) => void answer(job).then((done) => port.postMessage(done)));
}
