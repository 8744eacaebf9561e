import { spawn } from "node:child_process";
import { closeSync, mkdirSync, openSync, statSync } from "node:fs";
import { dirname, extname } from "node:path";
import type { Command } from "@/core/model/start";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { markOf } from "../process-mark";

interface Started {
  /** By which its process is known again. */
  readonly mark: ReturnType<typeof markOf>;
  /** What it ends with; null where a signal ended it. */
  readonly ended: Promise<number | null>;
}

/** What is Seating's own in the environment is nothing to a game. */
const own = /^(?:SEATING_|NODE_|NEXT_|__NEXT|npm_|JEST_|PORT$|TURBOPACK)/;

const ofTheSystem = (): Record<string, string | undefined> =>
  Object.fromEntries(Object.entries(process.env).filter(([name]) => !own.test(name)));

/** Scripts of Node.js are run by the one that runs Seating; the system needs no program of theirs. */
const scripts = new Set([".mjs", ".cjs", ".js"]);

export const isProgram = (path: string): boolean =>
  statSync(path, { throwIfNoEntry: false })?.isFile() === true;

/**
 * Starts a program with just these arguments, by no shell, what it says going to a file. It goes on when whoever started it ends.
 */
export async function startProgram(command: Command, log: string): Promise<Outcome<Started>> {
  mkdirSync(dirname(log), { recursive: true });
  const isScript = scripts.has(extname(command.program).toLowerCase());
  const out = openSync(log, "a");
  try {
    const child = spawn(
      isScript ? process.execPath : command.program,
      [...(isScript ? [command.program] : []), ...command.arguments],
      {
        cwd: command.folder,
        env: { ...ofTheSystem(), ...command.environment } as NodeJS.ProcessEnv,
        detached: true,
        shell: false,
        stdio: ["ignore", out, out],
      },
    );
    const ended = new Promise<number | null>((resolve) => child.once("exit", (code) => resolve(code)));
    const problem = await new Promise<Error | null>((resolve) => {
      child.once("spawn", () => resolve(null));
      child.once("error", resolve);
    });
    if (problem) return refuse("start-failed", { path: command.program, detail: reasonOf(problem) });
    child.unref();
    return done({ mark: markOf(child.pid!), ended });
  } catch (error) {
    return refuse("start-failed", { path: command.program, detail: reasonOf(error as Error) });
  } finally {
    closeSync(out);
  }
}

const reasonOf = (error: NodeJS.ErrnoException): string => error.code ?? error.message;
