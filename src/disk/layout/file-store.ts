import {
  closeSync,
  constants,
  copyFileSync,
  linkSync,
  mkdirSync,
  openSync,
  readdirSync,
  renameSync,
  rmSync,
  utimesSync,
  writeSync,
} from "node:fs";
import { createHash } from "node:crypto";
import { dirname, join } from "node:path";
import { dateOf, isAsPut } from "@/core/layout/plan";
import { shortHash } from "../digest";
import type { ModFile } from "../mod-file";
import { lyingAt } from "./look";

/** A file of the store by what is in it. */
interface Stored {
  readonly hash: string;
  readonly size: number;
}

/** Files of mods, unpacked once, each by its hash; what of them was changed since is no longer in it. */
export class FileStore {
  constructor(private readonly folder: string) {}

  has = (file: Stored): boolean => isAsPut(lyingAt(this.pathOf(file)), file);

  /** Puts a file of a mod into it, and answers whether it is the one of that hash. */
  async take(file: ModFile, stored: Stored): Promise<boolean> {
    const to = this.pathOf(stored);
    const part = `${to}.part`;
    mkdirSync(dirname(to), { recursive: true });
    const sum = createHash("sha256");
    const fd = openSync(part, "w");
    let size = 0;
    try {
      for await (const bytes of (file.bytes ? [file.bytes()] : await file.open()) as AsyncIterable<Buffer>) {
        sum.update(bytes);
        size += bytes.length;
        writeSync(fd, bytes);
      }
    } finally {
      closeSync(fd);
    }
    const isThat = size === stored.size && shortHash(sum.digest("hex")) === stored.hash;
    if (!isThat) rmSync(part);
    else {
      dated(part, stored.hash);
      renameSync(part, to);
    }
    return isThat;
  }

  /** Makes a path the file: one with the store's where the system can, unless it is to be `own`; else a copy. */
  putAt(path: string, stored: Stored, own: boolean): void {
    const from = this.pathOf(stored);
    if (!own && linked(from, path)) return;
    copyFileSync(from, path, constants.COPYFILE_FICLONE);
    dated(path, stored.hash);
  }

  /** Throws away what is not among these; answers how many files and bytes that were. */
  sweep(kept: ReadonlySet<string>): { readonly files: number; readonly bytes: number } {
    let [files, bytes] = [0, 0];
    for (const name of namesIn(this.folder))
      for (const hash of namesIn(join(this.folder, name))) {
        if (kept.has(hash)) continue;
        const path = join(this.folder, name, hash);
        bytes += lyingAt(path)?.size ?? 0;
        files++;
        rmSync(path, { recursive: true, force: true });
      }
    return { files, bytes };
  }

  private pathOf = ({ hash }: Stored): string => join(this.folder, hash.slice(0, 2), hash);
}

const dated = (path: string, hash: string): void =>
  utimesSync(path, dateOf(hash) / 1000, dateOf(hash) / 1000);

function linked(from: string, to: string): boolean {
  try {
    linkSync(from, to);
    return true;
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    if (code === "ENOENT" || code === "ENOSPC" || code === "EACCES") throw error;
    return false;
  }
}

function namesIn(folder: string): string[] {
  try {
    return readdirSync(folder);
  } catch {
    return [];
  }
}
