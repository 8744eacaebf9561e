import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";

/** By which a process is known again. */
interface ProcessMark {
  readonly pid: number;
  /** When it began, as its system tells it: a process of the same number with another one is not the same. Null where it does not tell. */
  readonly started: string | null;
}

export const markOf = (pid: number): ProcessMark => ({ pid, started: startOf(pid) });

/** Whether a process runs; `perhaps`: one of its number does, and nothing tells whether it is that. */
export function isRunning({ pid, started }: ProcessMark): boolean | "perhaps" {
  if (!isThere(pid)) return false;
  const now = startOf(pid);
  return started && now ? started === now : "perhaps";
}

function isThere(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === "EPERM";
  }
}

/** Null where the system does not tell. */
function startOf(pid: number): string | null {
  try {
    const boot = readFileSync("/proc/sys/kernel/random/boot_id", "latin1").trim();
    // Field 22; the name before it, in parentheses, may hold anything.
    const stat = readFileSync(`/proc/${pid}/stat`, "latin1");
    return `${boot} ${stat.slice(stat.lastIndexOf(")") + 2).split(" ")[19]}`;
  } catch {
    return startByPs(pid);
  }
}

function startByPs(pid: number): string | null {
  try {
    return (
      execFileSync("ps", ["-o", "lstart=", "-p", String(pid)], { encoding: "utf8", stdio: "pipe" }).trim() ||
      null
    );
  } catch {
    return null;
  }
}
