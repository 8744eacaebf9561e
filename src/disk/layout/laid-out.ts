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
import { emptyLedger, LaidSummary, type Ledger, type LedgerEntry } from "@/core/model/ledger";
import { isRunning, markOf } from "../process-mark";
import type { FileStore } from "./file-store";
import { FirstLedger, readFirstLedger, readLedger, writeLedger } from "./ledger-file";
import { asSystemTime, Looking, lyingAt } from "./look";

/** What was begun, by whom: which files of the game's are moved aside or back. */
const UnderWay = z.object({
  by: z.object({ pid: z.number(), started: z.string().nullable() }).optional(),
  acts: z.array(z.custom<LayoutAct>()),
  /** What is so once it is done, as it was kept once; it lies beside now. */
  after: FirstLedger.optional(),
});

/**
 * What Seating has laid out in the folder of a game, as it is kept beside: `ledger.jsonl`, the game's own files that wait to be put back
 * (`aside`), what others changed of Seating's (`kept`), while something is done, what (`under-way.json`) and to what ledger that comes
 * (`ledger-after.jsonl`), and else what it came to (`laid.json`).
 */
export class LaidOut {
  constructor(
    private readonly game: string,
    private readonly state: string,
    private readonly store: FileStore,
  ) {}

  /** The number of another process that does something here just now; null where none does. */
  busy(): number | null {
    const by = this.underWay()?.by;
    return by && by.pid !== process.pid && isRunning(by) !== false ? by.pid : null;
  }

  private underWay(): z.infer<typeof UnderWay> | null {
    const path = this.own("under-way.json");
    return existsSync(path) ? UnderWay.parse(JSON.parse(readFileSync(path, "utf8"))) : null;
  }

  /** What is so, also where something was begun and never ended: it is looked at how far that came. */
  ledger(): Ledger {
    const before = this.written();
    const begun = this.underWay();
    if (!begun) return before;
    const { acts } = begun;
    // Where that is gone it is the ledger by now: all was done.
    const after = begun.after ?? readLedger(this.own("ledger-after.jsonl")) ?? before;
    const { look } = new Looking(this.game);
    // Of a file that was being put its part may lie there.
    for (const entry of after.entries)
      if (look(partOf(entry)) !== null) rmSync(join(this.game, partOf(entry)));
    for (const act of acts) {
      // Between file systems one that was being moved may lie in both places.
      if (act.does !== "set-aside" && act.does !== "put-back") continue;
      const aside = this.asideOf(act.number);
      if (look(movedPart(act.path)) !== null) rmSync(join(this.game, movedPart(act.path)));
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
    const path = this.own("laid.json");
    return existsSync(path) ? LaidSummary.parse(JSON.parse(readFileSync(path, "utf8"))) : null;
  }

  sayWhatLies(summary: LaidSummary): void {
    writeWhole(this.own("laid.json"), JSON.stringify(summary));
  }

  /**
   * Does all of a plan, which was made of the present ledger; `onAct` is told how many acts are done, and answers whether it goes on.
   * Where it does not, all is put as it was before, and this answers false.
   */
  perform(
    { before, acts, after }: Pick<LayoutPlan, "before" | "acts" | "after">,
    onAct: (done: number) => boolean = () => true,
  ): boolean {
    const isBare = after.entries.length + after.others.length === 0;
    if (after === before && acts.length === 0 && !isBare) return true;
    const summary = this.summary();
    this.begin(acts, after);
    const sound = new Set<string>();
    for (const [at, act] of acts.entries()) {
      this.refuseLinks(posix.dirname(act.path), sound);
      this.do(act);
      if (onAct(at + 1)) continue;
      this.perform(layoutPlan(before.entries, this.ledger(), new Looking(this.game).look));
      if (summary) this.sayWhatLies(summary);
      return false;
    }
    if (isBare) for (const [folder, changed] of after.times) this.setTime(folder, changed);
    if (isBare) return this.end({ ...after, times: [] });
    this.end();
    return true;
  }

  private written(): Ledger {
    return ledgerIn(this.state) ?? emptyLedger(this.game);
  }

  /** Says first what will be so, and then that it is being done. */
  private begin(acts: readonly LayoutAct[], after: Ledger): void {
    writeLedger(this.own("ledger-after.jsonl"), after);
    const moves = acts.filter(({ does }) => does === "set-aside" || does === "put-back");
    writeWhole(this.own("under-way.json"), JSON.stringify({ by: markOf(process.pid), acts: moves }));
    rmSync(this.own("laid.json"), { force: true });
  }

  /** `ledger`: where another one is so than what it was to come to. */
  private end(ledger?: Ledger): true {
    if (ledger) writeLedger(this.own("ledger-after.jsonl"), ledger);
    renameSync(this.own("ledger-after.jsonl"), this.own("ledger.jsonl"));
    rmSync(this.own("ledger.json"), { force: true });
    rmSync(this.own("under-way.json"), { force: true });
    return true;
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

  private asideOf = (number: number): string => asideIn(this.state, number);
  private own = (name: string): string => join(this.state, name);
}

/** Where a file of the game's waits to be put back. */
export const asideIn = (state: string, number: number): string => join(state, "aside", String(number));

/** The ledger that is kept in a folder; null where there is none. */
export const ledgerIn = (state: string): Ledger | null =>
  readLedger(join(state, "ledger.jsonl")) ?? readFirstLedger(join(state, "ledger.json"));

/** Where a file lies, below the game's folder, until it is put in its place. */
const partOf = ({ path, hash }: Pick<LedgerEntry, "path" | "hash">): string =>
  posix.join(posix.dirname(path), `.${hash}.seating-part`);

/** By what a file that was moved between file systems keeps; what the system cuts off a date is less than this, in milliseconds. */
const isSameFile = (a: Lying | null, b: Lying | null): boolean =>
  a?.kind === "file" && b?.kind === "file" && a.size === b.size && Math.abs(a.changed - b.changed) < 0.002;

/** Where a file lies that comes from another file system, until it is there as a whole. */
const movedPart = (path: string): string => `${path}.seating-part`;

/** Also between file systems, with its date and its rights; what is at `to` gives way. */
function move(from: string, to: string): void {
  try {
    renameSync(from, to);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== "EXDEV") throw error;
    const { atimeMs, mtimeMs } = lstatSync(from);
    const part = movedPart(to);
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
