import { parentPort } from "node:worker_threads";
import { inThisThread } from "./shelf-reader";
import type { Job, JobDone } from "./shelf-reader-pool";

const run = (job: Job): Promise<unknown> =>
  job.name === "placesOf" ? inThisThread.placesOf(...job.what) : inThisThread.readMod(...job.what);

const port = parentPort!;
port.on("message", (job: Job) => {
  run(job).then(
    (value) => port.postMessage({ value } satisfies JobDone),
    (error: unknown) =>
      port.postMessage({ error: error instanceof Error ? error.message : String(error) } satisfies JobDone),
  );
});
