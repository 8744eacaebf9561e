import { copyFile, link, lstat, mkdir, open, rename, rm, unlink } from "node:fs/promises";
import { dirname, extname, join } from "node:path";
import { randomUUID } from "node:crypto";

/** How the half of a copy is called, and what follows that name: hidden, so that no reading of the shelf finds it. */
export const isHalfCopy = (name: string): boolean => /^\.seating-[0-9a-f-]{36}\.part$/.test(name);

const codeOf = (error: unknown): string | undefined => (error as NodeJS.ErrnoException).code;

export const isThere = (path: string): Promise<boolean> =>
  lstat(path).then(
    () => true,
    () => false,
  );

/**
 * Moves a file or a folder to where nothing lies; false, and nothing is moved, where something does. Unlike a rename it never
 * replaces anything, whoever else is at work there. Between disks a file is copied under another name first.
 */
export async function moveTo(from: string, to: string): Promise<boolean> {
  const isFolder = (await lstat(from)).isDirectory();
  try {
    await (isFolder ? moveFolder(from, to) : moveFile(from, to));
    return true;
  } catch (error) {
    if (codeOf(error) === "EEXIST") return false;
    throw error;
  }
}

/** Onto an empty folder that was made for it: making one fails where something lies, and renaming where it is not empty any more. */
async function moveFolder(from: string, to: string): Promise<void> {
  await mkdir(to);
  try {
    await rename(from, to);
  } catch (error) {
    await rm(to, { recursive: false, force: true }).catch(() => undefined);
    throw error;
  }
}

/** A second name for it, which fails where something bears it, and then the first name is given up. */
async function moveFile(from: string, to: string): Promise<void> {
  try {
    await link(from, to);
  } catch (error) {
    if (codeOf(error) === "EEXIST") throw error;
    if (codeOf(error) === "EXDEV") await copyTo(from, to);
    else return moveOntoOwn(from, to);
  }
  await unlink(from);
}

async function copyTo(from: string, to: string): Promise<void> {
  const half = join(dirname(to), `.seating-${randomUUID()}.part`);
  try {
    await copyFile(from, half);
    await moveFile(half, to);
  } finally {
    await rm(half, { force: true });
  }
}

/** Where a file can have no second name, an empty one of this name is made for it to replace. */
async function moveOntoOwn(from: string, to: string): Promise<void> {
  await (await open(to, "wx")).close();
  await rename(from, to);
}

/** The path, or one with a number before its extension that nothing lies at yet. */
export async function freeName(path: string): Promise<string> {
  const extension = extname(path);
  const stem = path.slice(0, path.length - extension.length);
  let free = path;
  for (let n = 2; await isThere(free); n++) free = `${stem} (${n})${extension}`;
  return free;
}
