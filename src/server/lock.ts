import { mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";

interface LockHolder {
  readonly pid: number;
  readonly address: string;
}

export class FolderInUse extends Error {
  constructor(
    folder: string,
    readonly holder: LockHolder,
  ) {
    super(
      `Seating already runs with the data folder ${folder}: ${holder.address} (process ${holder.pid}). ` +
        `Use that one, stop it first, or name another folder with SEATING_HOME.`,
    );
  }
}

/**
 * Takes the data folder for this process; two servers on one database would lose each other's writes without a
 * word. A lock whose process is gone is taken over. Throws `FolderInUse`. Answers how to give it back.
 */
export function takeFolder(folder: string, holder: LockHolder): () => void {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const path = join(folder, "server.lock");
  for (let tries = 0; ; tries++) {
    try {
      writeFileSync(path, JSON.stringify(holder), { flag: "wx" });
      return () => giveBack(path, holder);
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== "EEXIST" || tries > 5) throw error;
      const first = readHolder(path);
      if (first && first.pid !== holder.pid && isAlive(first.pid)) throw new FolderInUse(folder, first);
      rmSync(path, { force: true });
    }
  }
}

function giveBack(path: string, holder: LockHolder): void {
  if (readHolder(path)?.pid === holder.pid) rmSync(path, { force: true });
}

function readHolder(path: string): LockHolder | null {
  try {
    return JSON.parse(readFileSync(path, "utf8")) as LockHolder;
  } catch {
    return null;
  }
}

function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === "EPERM";
  }
}
