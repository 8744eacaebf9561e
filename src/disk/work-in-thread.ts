import { parentPort } from "node:worker_threads";
import type { Done } from "./threads";

/** Answers the jobs that `openThreads` gives this thread. */
export function workInThread<Job>(run: (job: Job) => unknown): void {
  const port = parentPort!;
  const answer = async (job: Job): Promise<Done> => {
    try {
      return { value: await run(job) };
    } catch (error) {
      return { error: error instanceof Error ? error.message : String(error) };
    }
  };
  port.on("message", (job: Job) => void answer(job).then((done) => port.postMessage(done)));
}
