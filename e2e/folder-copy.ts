import {
  constants,
  cpSync,
  lstatSync,
  mkdirSync,
  readdirSync,
  rmSync,
  utimesSync,
  type Stats,
} from "node:fs";
import { join } from "node:path";
import { setTimeout as wait } from "node:timers/promises";
import { copyFolder } from "./server";

/** Milliseconds by which the clock of a file system may be behind. */
const lag = 20;

/** A copy of a folder that is made anew again and again: only what was touched since then is copied. */
export class FolderCopy {
  /** When all was as it should be; a file tells of each later change, whatever its own stamp says. */
  private asItShouldBe: number | null = null;

  constructor(
    private readonly from: string,
    private readonly to: string,
  ) {}

  async makeAnew(): Promise<void> {
    if (this.asItShouldBe === null) {
      rmSync(this.to, { recursive: true, force: true });
      await copyFolder(this.from, this.to);
    } else this.mend(this.from, this.to);
    await wait(lag);
    this.asItShouldBe = Date.now() - lag / 2;
    await wait(lag);
  }

  private mend(from: string, to: string): void {
    const names = new Set(readdirSync(from));
    for (const name of readdirSync(to))
      if (!names.has(name)) rmSync(join(to, name), { recursive: true, force: true });
    for (const name of names) this.mendOne(join(from, name), join(to, name));
    const { atime, mtime } = lstatSync(from);
    utimesSync(to, atime, mtime);
  }

  private mendOne(from: string, to: string): void {
    const wanted = lstatSync(from);
    const present = lstatSync(to, { throwIfNoEntry: false });
    if (present && this.isUntouched(present, wanted)) return;
    if (!present?.isDirectory() || !wanted.isDirectory()) rmSync(to, { recursive: true, force: true });
    if (!wanted.isDirectory())
      return cpSync(from, to, {
        preserveTimestamps: true,
        verbatimSymlinks: true,
        mode: constants.COPYFILE_FICLONE,
      });
    mkdirSync(to, { recursive: true });
    this.mend(from, to);
  }

  private isUntouched(present: Stats, wanted: Stats): boolean {
    return present.isFile() && present.ctimeMs <= this.asItShouldBe! && present.size === wanted.size;
  }
}
