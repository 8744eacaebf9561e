import { inThisThread } from "./shelf-reader";
import type { Job } from "./shelf-reader-pool";
import { workInThread } from "./work-in-thread";

workInThread<Job>((job) => {
  switch (job.name) {
    case "placesOf":
      return inThisThread.placesOf(...job.what);
    case "readMod":
      return inThisThread.readMod(...job.what);
    case "readLooseFiles":
      return inThisThread.readLooseFiles(...job.what);
    case "foldersBelow":
      return inThisThread.foldersBelow(...job.what);
  }
});
