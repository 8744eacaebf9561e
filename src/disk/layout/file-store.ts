import {
  closeSync,
  constants,
  copyFileSync,
  futimesSync,
  linkSync,
  mkdirSync,
  openSync,
  rmSync,
  utimesSync,
  writeSync,
} from "node:fs";
import { createHash } from "node:crypto";
import { dirname, join } from "node:path";
import { dateOf, isAsPut } from "@/core/layout/plan";
import { systemOf, systemRules } from "@/core/layout/system-rules";
import { shortHash } from "../digest";
import { namesIn } from "../names-in";
import type { ModFile } from "../mod-file";
import { lyingAt } from "./look";

const { refusesLink } = systemRules[systemOf(process.platform)];

/** A file of the store by what is in it. */
interface Stored {
  readonly hash: string;
  readonly size: number;
}

/** Files of mods, unpacked once, each by its hash; what of them was changed since is no longer in it. */
export class FileStore {
  /** Folders of it that are there. */
  private readonly made = new Set<string>();

  constructor(private readonly folder: string) {}

  has = (file: Stored): boolean => isAsPut(lyingAt(this.pathOf(file)), file);

  /**
   * Puts a file of a mod into it, and answers whether it is the one of that hash. It is in it once it has its date: what is cut short
   * before is as good as changed.
   */
  async take(file: ModFile, stored: Stored): Promise<boolean> {
    const sum = createHash("sha256");
    const fd = this.open(stored);
    let size = 0;
    try {
      for await (const bytes of (file.bytes ? [file.bytes()] : await file.open()) as AsyncIterable<Buffer>) {
        sum.update(bytes);
        size += bytes.length;
        writeSync(fd, bytes);
      }
      const isThat = size === stored.size && shortHash(sum.digest("hex")) === stored.hash;
      const date = dateOf(stored.hash) / 1000;
      if (isThat) futimesSync(fd, date, date);
      return isThat;
    } finally {
      closeSync(fd);
    }
  }

  /** What lies there is somebody's in a game's folder, too, and is not written over. */
  private open(stored: Stored): number {
    const path = this.pathOf(stored);
    const folder = dirname(path);
    if (!this.made.has(folder)) mkdirSync(folder, { recursive: true });
    this.made.add(folder);
    rmSync(path, { force: true });
    return openSync(path, "wx");
  }

  /** Makes a path at which nothing lies one with the store's; answers whether it is, for not every system and place can. */
  link(stored: Stored, path: string): boolean {
    try {
      linkSync(this.pathOf(stored), path);
      return true;
    } catch (error) {
      const { code } = error as NodeJS.ErrnoException;
      if (!refusesLink.has(code ?? "")) throw error;
      return false;
    }
  }

  copy(stored: Stored, path: string, changed = dateOf(stored.hash)): void {
    copyFileSync(this.pathOf(stored), path, constants.COPYFILE_FICLONE);
    utimesSync(path, changed / 1000, changed / 1000);
  }

  /** Throws away what is not among these, unless it is only `looking`; answers how many files and bytes that are. */
  sweep(kept: ReadonlySet<string>, looking = false): { readonly files: number; readonly bytes: number } {
    let [files, bytes] = [0, 0];
    for (const name of namesIn(this.folder))
      for (const hash of namesIn(join(this.folder, name))) {
        if (kept.has(hash)) continue;
        const path = join(this.folder, name, hash);
        bytes += lyingAt(path)?.size ?? 0;
        files++;
        if (!looking) rmSync(path, { recursive: true, force: true });
      }
    return { files, bytes };
  }

  private pathOf = ({ hash }: Stored): string => `${this.folder}/${hash.slice(0, 2)}/${hash}`;
}
