import {
  constants,
  copyFileSync,
  existsSync,
  lstatSync,
  mkdirSync,
  readFileSync,
  renameSync,
  rmdirSync,
  rmSync,
  unlinkSync,
  utimesSync,
  writeFileSync,
} from "node:fs";
import { dirname, join, posix } from "node:path";
import { z } from "zod";
import { layoutPlan, type LayoutAct, type LayoutPlan, type Lying } from "@/core/layout/plan";
import { reached } from "@/core/layout/reached";
import { emptyLedger, LaidSummary, Ledger } from "@/core/model/ledger";
import { isRunning, markOf } from "../process-mark";
import type { FileStore } from "./file-store";
import { asSystemTime, Looking, lyingAt } from "./look";

/** What was begun, by whom: the acts, and what is so once they are done. */
const UnderWay = z.object({
  by: z.object({ pid: z.number(), started: z.string().nullable() }).optional(),
  acts: z.array(z.custom<LayoutAct>()),
  after: Ledger,
});

/**
 * What Seating has laid out in the folder of a game, as it is kept beside: `ledger.json`, the game's own files that wait to be put back
 * (`aside`), what others changed of Seating's (`kept`), while something is done, what (`under-way.json`), and else what that came to
 * (`laid.json`).
 */
export class LaidOut {
  constructor(
    private readonly game: string,
    private readonly state: string,
    private readonly store: FileStore,
  ) {}

  /** The number of another process that does something here just now; null where none does. */
  busy(): number | null {
    const by = this.begun()?.by;
    return by && by.pid !== process.pid && isRunning(by) !== false ? by.pid : null;
  }

  private begun(): z.infer<typeof UnderWay> | null {
    return existsSync(this.underWay) ? UnderWay.parse(JSON.parse(readFileSync(this.underWay, "utf8"))) : null;
  }

  /** What is so, also where something was begun and never ended: it is looked at how far that came. */
  ledger(): Ledger {
    const before = this.written();
    const begun = this.begun();
    if (!begun) return before;
    const { acts, after } = begun;
    const { look } = new Looking(this.game);
    for (const act of acts) {
      // Of a file that was being put its part may lie there.
      if (act.does === "put" && look(partOf(act)) !== null) rmSync(join(this.game, partOf(act)));
      // Between file systems one that was being moved may lie in both places.
      if (act.does !== "set-aside" && act.does !== "put-back") continue;
      const aside = this.asideOf(act.number);
      if (isSameFile(look(act.path), lyingAt(aside)))
        unlinkSync(act.does === "set-aside" ? join(this.game, act.path) : aside);
    }
    const present = reached(before, after, {
      look,
      isAside: (number) => existsSync(this.asideOf(number)),
    });
    this.end(present);
    return present;
  }

  /** What it came to, in short; null where nothing is laid out, or something was begun and never ended. */
  summary(): LaidSummary | null {
    const path = join(this.state, "laid.json");
    return existsSync(path) ? LaidSummary.parse(JSON.parse(readFileSync(path, "utf8"))) : null;
  }

  sayWhatLies(summary: LaidSummary): void {
    writeWhole(join(this.state, "laid.json"), JSON.stringify(summary));
  }

  /**
   * Does all of a plan, which was made of the present ledger; `onAct` is told how many acts are done, and answers whether it goes on.
   * Where it does not, all is put as it was before, and this answers false.
   */
  perform(
    { acts, after }: Pick<LayoutPlan, "acts" | "after">,
    onAct: (done: number) => boolean = () => true,
  ): boolean {
    mkdirSync(this.state, { recursive: true });
    const before = this.written();
    const summary = this.summary();
    writeWhole(this.underWay, JSON.stringify({ by: markOf(process.pid), acts, after }));
    rmSync(join(this.state, "laid.json"), { force: true });
    const sound = new Set<string>();
    for (const [at, act] of acts.entries()) {
      this.refuseLinks(posix.dirname(act.path), sound);
      this.do(act);
      if (onAct(at + 1)) continue;
      this.perform(layoutPlan(before.entries, this.ledger(), new Looking(this.game).look));
      if (summary) this.sayWhatLies(summary);
      return false;
    }
    const isBare = after.entries.length + after.others.length === 0;
    if (isBare) for (const [folder, changed] of after.times) this.setTime(folder, changed);
    this.end(isBare ? { ...after, times: [] } : after);
    return true;
  }

  private written(): Ledger {
    const path = join(this.state, "ledger.json");
    return existsSync(path) ? Ledger.parse(JSON.parse(readFileSync(path, "utf8"))) : emptyLedger(this.game);
  }

  private end(ledger: Ledger): void {
    writeWhole(join(this.state, "ledger.json"), JSON.stringify(ledger));
    rmSync(this.underWay, { force: true });
  }

  private do(act: LayoutAct): void {
    const at = join(this.game, act.path);
    switch (act.does) {
      case "set-aside":
        return this.moveOut(at, this.asideOf(act.number));
      case "keep":
        return this.moveOut(at, join(this.state, "kept", String(act.number), act.path));
      case "remove":
        return unlinkSync(at);
      case "put-back":
        // Somebody may have taken the folder away.
        mkdirSync(dirname(at), { recursive: true });
        return move(this.asideOf(act.number), at);
      case "unmake-folder":
        return unmakeFolder(at);
      case "make-folder":
        return mkdirSync(at);
      case "put":
        return this.put(at, act);
    }
  }

  private moveOut(from: string, to: string): void {
    mkdirSync(dirname(to), { recursive: true });
    move(from, to);
  }

  private put(at: string, act: Extract<LayoutAct, { does: "put" }>): void {
    if (!act.isOwnCopy && this.store.link(act, at)) return;
    const part = join(this.game, partOf(act));
    rmSync(part, { force: true });
    if (act.isOwnCopy || !this.store.link(act, part)) this.store.copy(act, part, act.date);
    renameSync(part, at);
  }

  /** Nothing is written through a link: what it leads to is nobody's here. */
  private refuseLinks(folder: string, sound: Set<string>): void {
    if (folder === "." || sound.has(folder)) return;
    this.refuseLinks(posix.dirname(folder), sound);
    const lying = lyingAt(join(this.game, folder));
    if (lying && lying.kind !== "folder")
      throw Object.assign(new Error(`${folder} is no folder any more`), { code: "ENOTDIR" });
    if (lying) sound.add(folder);
  }

  private setTime(folder: string, changed: number): void {
    const at = join(this.game, folder);
    if (lyingAt(at)?.kind === "folder") utimesSync(at, asSystemTime(changed), asSystemTime(changed));
  }

  private asideOf = (number: number): string => join(this.state, "aside", String(number));
  private get underWay(): string {
    return join(this.state, "under-way.json");
  }
}

/** Where a file lies, below the game's folder, until it is put in its place. */
const partOf = ({ path, hash }: Extract<LayoutAct, { does: "put" }>): string =>
  posix.join(posix.dirname(path), `.${hash}.seating-part`);

/** By what a file that was moved between file systems keeps; what the system cuts off a date is less than this, in milliseconds. */
const isSameFile = (a: Lying | null, b: Lying | null): boolean =>
  a?.kind === "file" && b?.kind === "file" && a.size === b.size && Math.abs(a.changed - b.changed) < 0.002;

/** Also between file systems, with its date and its rights; what is at `to` gives way. */
function move(from: string, to: string): void {
  try {
    renameSync(from, to);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== "EXDEV") throw error;
    const { atimeMs, mtimeMs } = lstatSync(from);
    const part = `${to}.seating-part`;
    copyFileSync(from, part, constants.COPYFILE_FICLONE);
    utimesSync(part, asSystemTime(atimeMs), asSystemTime(mtimeMs));
    renameSync(part, to);
    unlinkSync(from);
  }
}

/** One in which something else lies stays. */
function unmakeFolder(path: string): void {
  try {
    rmdirSync(path);
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    if (code !== "ENOENT" && code !== "ENOTEMPTY" && code !== "EEXIST" && code !== "ENOTDIR") throw error;
  }
}

/** As a whole or not at all. */
export function writeWhole(path: string, text: string): void {
  mkdirSync(dirname(path), { recursive: true });
  writeFileSync(`${path}.part`, text);
  renameSync(`${path}.part`, path);
}
