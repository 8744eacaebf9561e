import { execFileSync } from "node:child_process";
import { existsSync, readdirSync, readlinkSync } from "node:fs";
import { sep } from "node:path";

/**
 * A program below a folder that runs just now, by its path there; null where none does, or where the system does not tell. The folder is
 * named without links.
 */
export function runningBelow(folder: string): string | null {
  const above = `${folder}${sep}`;
  const program = programs().find((path) => path.startsWith(above));
  return program?.slice(above.length) ?? null;
}

/** The whole paths of all programs that run, as far as one may see them. */
const programs = (): string[] => (existsSync("/proc/self/exe") ? programsByProc() : programsByPs());

const programsByProc = (): string[] =>
  readdirSync("/proc")
    .filter((name) => /^\d+$/.test(name))
    .flatMap((pid) => {
      try {
        return readlinkSync(`/proc/${pid}/exe`).replace(/ \(deleted\)$/, "");
      } catch {
        return [];
      }
    });

function programsByPs(): string[] {
  try {
    return execFileSync("ps", ["-axww", "-o", "comm="], { encoding: "utf8", stdio: "pipe" }).split("\n");
  } catch {
    return [];
  }
}
