import {
  close as closeRaw,
  closeSync,
  constants,
  fstat,
  fstatSync,
  lstatSync,
  open as openRaw,
  openSync,
  readFileSync,
  realpathSync,
  statSync,
  type Stats,
} from "node:fs";
import { open, type FileHandle } from "node:fs/promises";
import { dirname, sep } from "node:path";
import { promisify } from "node:util";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { ProblemCode } from "@/core/model/refusal";

// Not every system has the latter.
const flags = constants.O_RDONLY | (constants.O_NONBLOCK ?? 0);

/**
 * Opens a plain file for reading; throws at anything else. Without blocking: the opening of a pipe would wait for somebody to write
 * into it, and with it a thread that others need.
 */
async function openPlain(path: string): Promise<FileHandle> {
  const handle = await open(path, flags);
  try {
    if (!(await handle.stat()).isFile()) throw new Error(`${path} is no plain file`);
    return handle;
  } catch (error) {
    await handle.close();
    throw error;
  }
}

/** The same by its number, which whoever asks for it has to close. */
export async function openDescriptor(path: string): Promise<number> {
  const fd = await promisify(openRaw)(path, flags);
  if ((await promisify(fstat)(fd)).isFile()) return fd;
  await promisify(closeRaw)(fd);
  throw new Error(`${path} is no plain file`);
}

/** The whole contents of a plain file. */
export async function readPlain(path: string): Promise<Buffer> {
  const handle = await openPlain(path);
  try {
    return await handle.readFile();
  } finally {
    await handle.close();
  }
}

/** The same at once, where it has no more than `most` bytes; null where it has. It blocks its thread, and is many times faster. */
export function readSmall(path: string, most: number): Buffer | null {
  const fd = openSync(path, flags);
  try {
    const info = fstatSync(fd);
    if (!info.isFile()) throw new Error(`${path} is no plain file`);
    return info.size > most ? null : readFileSync(fd);
  } finally {
    closeSync(fd);
  }
}

/** Its first bytes, fewer where it has no more. */
export async function readStart(path: string, length: number): Promise<Buffer> {
  const handle = await openPlain(path);
  try {
    const { bytesRead, buffer } = await handle.read(Buffer.alloc(length), 0, length, 0);
    return buffer.subarray(0, bytesRead);
  } finally {
    await handle.close();
  }
}

/** A stream of its contents, which closes the file at its end. */
export const streamPlain = async (path: string) => (await openPlain(path)).createReadStream();

/** What lies at a path; a link is followed where it leads to something in the folder that `within` lies in. */
export function whatLiesAt(path: string, within: string): Outcome<Stats, ProblemCode> {
  const shown = path.slice(dirname(within).length + 1).slice(0, 200);
  try {
    const info = lstatSync(path);
    if (!info.isSymbolicLink()) return plainOr(info, shown);
    const target = realpathSync(path);
    const home = realpathSync(dirname(within));
    if (!target.startsWith(`${home}${sep}`)) return refuse("link-outside", { entry: shown });
    return plainOr(statSync(target), shown);
  } catch (error) {
    const { code, message } = error as NodeJS.ErrnoException;
    if (code === "ELOOP") return refuse("link-loop", { entry: shown });
    return refuse("cannot-read", { detail: `${shown}: ${code ?? message}` });
  }
}

const plainOr = (info: Stats, entry: string): Outcome<Stats, ProblemCode> =>
  info.isFile() || info.isDirectory() ? done(info) : refuse("not-plain", { entry });
