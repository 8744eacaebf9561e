import { workInThread } from "../work-in-thread";
import type { LayoutProgress } from "@/core/layout/preview";
import { layOutHere, type LayoutJob } from "./layout-hand";

/** Milliseconds between what is told of one job. */
const pause = 100;

workInThread<LayoutJob>((job, tell) => {
  let last = 0;
  const onProgress = (progress: LayoutProgress) => {
    const now = performance.now();
    if (now - last < pause && progress.done < progress.total) return;
    last = now;
    tell(progress);
  };
  return layOutHere(job, onProgress);
});
