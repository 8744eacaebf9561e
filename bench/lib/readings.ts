import { spawnSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { median } from "./application";

const shelfOf = (home: string) => join(home, "demo/brinehollow/shelf");

/** Seconds that a shell takes for a line, in the demo's shelf. */
function shell(home: string, line: string): number {
  const began = performance.now();
  spawnSync("sh", ["-c", line], { cwd: shelfOf(home), stdio: "ignore" });
  return (performance.now() - began) / 1000;
}

/** What the system's own tools take to read the same bytes: each archive tested, each file of the folders hashed. */
export const readWithTools = (home: string): number =>
  shell(
    home,
    'for each in *.zip; do unzip -tq "$each"; done; find . -mindepth 2 -type f -print0 | xargs -0 sha256sum',
  );

/** And to look at the size and time of each file. */
export const lookWithTools = (home: string): number => shell(home, "find . -printf '%p %s %T@\\n'");

/** Seconds of the demo's first reading, by the lines that the server says; the profiles come after it. */
export async function firstReading(url: string): Promise<number> {
  const response = await fetch(`${url}/api/demo`, { method: "POST" });
  const decoder = new TextDecoder();
  let said = "";
  let began = 0;
  let ended = 0;
  for await (const part of response.body!) {
    said += decoder.decode(part, { stream: true });
    if (began === 0 && said.includes("Registering brinehollow")) began = performance.now();
    if (ended === 0 && said.includes("Making the profile")) ended = performance.now();
  }
  if (!response.ok || ended === 0) throw new Error(said);
  return (ended - began) / 1000;
}

/** Seconds of a reading where everything is known, the median of three. */
export async function readAgain(url: string): Promise<number> {
  const times: number[] = [];
  for (let run = 0; run < 3; run++) {
    const began = performance.now();
    await (await fetch(`${url}/api/shelf`, { method: "POST" })).text();
    times.push((performance.now() - began) / 1000);
  }
  return median(times);
}

/** What a process has in memory: now (`VmRSS`), or at most since it began (`VmHWM`). */
export function memoryMiB(pid: number, what: "VmRSS" | "VmHWM"): number {
  const status = readFileSync(`/proc/${pid}/status`, "utf8");
  return Number(new RegExp(`${what}:\\s+(\\d+)`).exec(status)![1]) / 1024;
}

export const folderMiB = (path: string): number =>
  Number(spawnSync("du", ["-sm", path], { encoding: "utf8" }).stdout.split("\t")[0]);
