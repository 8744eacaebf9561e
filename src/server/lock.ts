import { say } from "@/core/language/say";
import { randomUUID } from "node:crypto";
import { linkSync, mkdirSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { setTimeout as wait } from "node:timers/promises";
import { isRunning, markOf } from "@/disk/process-mark";

interface LockHolder {
  readonly pid: number;
  readonly address: string;
}

/** What a lock says. Earlier versions wrote no start. */
interface Lock extends LockHolder {
  /** When the process began, as its system tells it: a process of the same number with another one is not the same. */
  readonly started?: string | null;
}

export class FolderInUse extends Error {
  constructor(
    folder: string,
    readonly holder: LockHolder,
  ) {
    super(
      say("server.seatingAlreadyRunsWithTheData", { folder, address: holder.address, pid: holder.pid }) +
        say("server.useThatOneStopItFirst") +
        say("server.ifProcessIsSomethingElseDelete", { pid: holder.pid, join: join(folder, "server.lock") }),
    );
  }
}

const mostTries = 50;
/** Milliseconds after which a lock for taking over is left behind by a process that was killed while it had it. */
const leftBehind = 10_000;

/**
 * Takes the data folder for this process; two servers on one database would lose each other's writes without a
 * word. A lock whose process is gone is taken over. Throws `FolderInUse`. Answers how to give it back.
 */
export async function takeFolder(folder: string, holder: LockHolder): Promise<() => void> {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const path = join(folder, "server.lock");
  const lock: Lock = { ...holder, ...markOf(holder.pid) };
  for (let tries = 0; tries < mostTries; tries++) {
    if (put(path, lock)) return () => giveBack(path, lock);
    const first = readLock(path);
    if (first === "absent") continue;
    if (first !== "broken" && !isSame(first, lock) && (await isAlive(first)))
      throw new FolderInUse(folder, first);
    await removeStale(path, lock);
  }
  throw new Error(`The lock ${path} cannot be taken. If no other Seating runs, delete it and start again.`);
}

/** Whole or not at all, and only where nothing is there: a link, unlike a file that is opened, is never seen empty. */
function put(path: string, lock: Lock): boolean {
  const draft = `${path}.${randomUUID()}`;
  writeFileSync(draft, JSON.stringify(lock));
  try {
    linkSync(draft, path);
    return true;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === "EEXIST") return false;
    throw error;
  } finally {
    rmSync(draft, { force: true });
  }
}

/** One at a time, so that of two that find a stale lock none removes what the other one has put in its place. */
async function removeStale(path: string, lock: Lock): Promise<void> {
  const turn = `${path}.turn`;
  try {
    mkdirSync(turn);
  } catch {
    const age = Date.now() - (statSync(turn, { throwIfNoEntry: false })?.mtimeMs ?? Date.now());
    if (age > leftBehind) rmSync(turn, { recursive: true, force: true });
    return wait(20);
  }
  try {
    const first = readLock(path);
    // Gone already: what comes to lie there now is somebody's who holds the folder.
    if (first === "absent") return;
    if (first === "broken" || isSame(first, lock) || !(await isAlive(first))) rmSync(path, { force: true });
  } finally {
    rmSync(turn, { recursive: true, force: true });
  }
}

function giveBack(path: string, lock: Lock): void {
  const present = readLock(path);
  if (typeof present === "object" && isSame(present, lock)) rmSync(path, { force: true });
}

/** `absent` where there is none, `broken` where it says nothing: the two must not be mistaken, for only the latter may be removed. */
function readLock(path: string): Lock | "absent" | "broken" {
  try {
    return JSON.parse(readFileSync(path, "utf8")) as Lock;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === "ENOENT" ? "absent" : "broken";
  }
}

const isSame = (a: Lock, b: Lock): boolean => a.pid === b.pid && (a.started ?? null) === (b.started ?? null);

/** Numbers of processes are given again: one is alive if it began when the lock says, or, where that is not known, if Seating answers there. */
async function isAlive({ pid, address, started = null }: Lock): Promise<boolean> {
  const runs = isRunning({ pid, started });
  return runs === "perhaps" ? answersAsSeating(address) : runs;
}

async function answersAsSeating(address: string): Promise<boolean> {
  try {
    const response = await fetch(new URL("/api/alive", address), { signal: AbortSignal.timeout(3000) });
    return ((await response.json()) as { alive?: unknown }).alive === true;
  } catch {
    return false;
  }
}
