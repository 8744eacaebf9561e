import { inThisThread } from "./shelf-reader";
import type { Job } from "./shelf-reader-pool";
import { workInThread } from "./work-in-thread";

workInThread<Job>((job) =>
  job.name === "placesOf" ? inThisThread.placesOf(...job.what) : inThisThread.readMod(...job.what),
);
