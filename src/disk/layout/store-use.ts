import { mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { z } from "zod";
import { namesIn } from "../names-in";
import { isRunning, markOf } from "../process-mark";

const Mark = z.object({ pid: z.number(), started: z.string().nullable() });

const marksIn = (own: string): string => join(own, "store-in-use");

/** What is unpacked is nobody's until it is laid out: as long as `work` goes on no other process throws it away. */
export async function whileInUse<T>(own: string, work: () => Promise<T>): Promise<T> {
  const path = join(marksIn(own), `${process.pid}.json`);
  mkdirSync(marksIn(own), { recursive: true });
  writeFileSync(path, JSON.stringify(markOf(process.pid)));
  try {
    return await work();
  } finally {
    rmSync(path, { force: true });
  }
}

/** The number of another process that still runs and lays something out; null where none does. */
export function userOfStore(own: string): number | null {
  for (const name of namesIn(marksIn(own))) {
    const mark = markIn(join(marksIn(own), name));
    if (mark && mark.pid !== process.pid && isRunning(mark) !== false) return mark.pid;
  }
  return null;
}

/** One that is being written is not one yet: nothing has been unpacked then. */
function markIn(path: string): z.infer<typeof Mark> | null {
  try {
    return Mark.parse(JSON.parse(readFileSync(path, "utf8")));
  } catch {
    return null;
  }
}
