import type { Ledger, LedgerEntry } from "../model/ledger";
import { folderOf } from "../roster/fold";
import type { WantedFile } from "./wanted";

/** What lies at a path; a link and whatever is neither file nor folder is `other`. */
export interface Lying {
  readonly kind: "file" | "folder" | "other";
  readonly size: number;
  /** When it was last changed, in milliseconds. */
  readonly changed: number;
}
/** A file that is wanted, as far as it matters where it lies. */
export type PlacedFile = Pick<WantedFile, "path" | "mod" | "size" | "hash" | "isOwnCopy" | "date">;
type Look = (path: string) => Lying | null;

/**
 * One thing that is done in the game's folder, each on what those before it have made of it. Numbers name what waits outside of the
 * game's folder: the game's own files, and what somebody changed of Seating's.
 */
export type LayoutAct =
  /** The game's own file waits aside until it is put back. */
  | { readonly does: "set-aside"; readonly path: string; readonly number: number }
  /** What was changed of Seating's is kept for whoever changed it. */
  | { readonly does: "keep"; readonly path: string; readonly number: number }
  /** A file of Seating's, as it was put there, goes. */
  | { readonly does: "remove"; readonly path: string }
  | { readonly does: "put-back"; readonly path: string; readonly number: number }
  | { readonly does: "unmake-folder"; readonly path: string }
  | { readonly does: "make-folder"; readonly path: string }
  | {
      readonly does: "put";
      readonly path: string;
      readonly size: number;
      readonly hash: string;
      readonly isOwnCopy: boolean;
      readonly date?: number | undefined;
    };

/** What is in the way, so that nothing is laid out. */
export interface InTheWay {
  readonly kind: "folder" | "file" | "other";
  readonly path: string;
  /** The mod whose file would lie there or below. */
  readonly mod: string;
}

export interface LayoutPlan {
  /** What is so now. */
  readonly before: Ledger;
  readonly acts: readonly LayoutAct[];
  /** What is so once all of it is done; `before` itself where that is all the same. */
  readonly after: Ledger;
  readonly inTheWay: readonly InTheWay[];
  /** Files that are wanted as they were put there, and that somebody has changed since: they stay as they are. */
  readonly changed: readonly string[];
}

/** Milliseconds since 1970, in whole seconds: the date that every file of Seating's has, so that it is seen where one was changed. */
export const dateOf = (hash: string): number =>
  Date.UTC(2001, 0, 1) + (Number.parseInt(hash.slice(0, 7), 16) % 500_000_000) * 1000;

/** Whether a file lies as it was put there. */
export const isAsPut = (
  lying: Lying | null,
  { size, hash, date = dateOf(hash) }: Pick<LedgerEntry, "size" | "hash" | "date">,
): boolean => lying?.kind === "file" && lying.size === size && lying.changed === date;

/** All folders in which files lie, and those above them. */
function foldersOver(files: readonly PlacedFile[]): Set<string> {
  const folders = new Set<string>();
  for (const { path } of files)
    for (let at = folderOf(path); at !== "" && !folders.has(at); at = folderOf(at)) folders.add(at);
  return folders;
}

/**
 * What has to be done so that of Seating's just these files lie in the game's folder, and all else as it was before Seating touched it.
 * `ledger` is what is so now.
 */
export function layoutPlan(
  wanted: readonly PlacedFile[],
  ledger: Ledger,
  look: Look,
  ways: LayoutWays = {},
): LayoutPlan {
  return new Planning(wanted, ledger, look, ways).plan();
}

interface LayoutWays {
  /** What somebody changed of what is wanted is put again as it was, and what it was changed to is kept. */
  readonly putAgain?: boolean;
  /** What its user had set aside comes back, too. */
  readonly takesBack?: boolean;
}

/** Sets files aside that are neither the game's nor Seating's; those that do not lie there are passed over. */
export function setAsidePlan(
  paths: readonly string[],
  ledger: Ledger,
  look: Look,
): Pick<LayoutPlan, "before" | "acts" | "after"> {
  const own = new Set(ledger.entries.map(({ path }) => path));
  const there = paths.filter((path) => !own.has(path) && look(path)?.kind === "file");
  const numbered = there.map((path, at): [string, number] => [path, ledger.next + at]);
  const times = new Map(ledger.times);
  const made = new Set(ledger.folders);
  for (const folder of new Set(there.map(folderOf))) {
    const lying = look(folder);
    if (lying && !times.has(folder) && !made.has(folder)) times.set(folder, lying.changed);
  }
  return {
    before: ledger,
    acts: numbered.map(([path, number]) => ({ does: "set-aside", path, number })),
    after: {
      ...ledger,
      others: [...ledger.others, ...numbered],
      times: [...times],
      next: ledger.next + there.length,
    },
  };
}

class Planning {
  private readonly entries: ReadonlyMap<string, LedgerEntry>;
  private readonly wantedAt: ReadonlyMap<string, PlacedFile>;
  private readonly neededFolders: ReadonlySet<string>;
  private readonly ownFolders: ReadonlySet<string>;
  private readonly times: Map<string, number>;
  private readonly inTheWay: InTheWay[] = [];
  private readonly removing: LayoutAct[] = [];
  private readonly putting: LayoutAct[] = [];
  private readonly after: LedgerEntry[] = [];
  private readonly changed: string[] = [];
  private next: number;

  constructor(
    private readonly wanted: readonly PlacedFile[],
    private readonly ledger: Ledger,
    private readonly look: Look,
    private readonly ways: LayoutWays,
  ) {
    this.entries = new Map(ledger.entries.map((entry) => [entry.path, entry]));
    this.wantedAt =
      wanted === ledger.entries ? this.entries : new Map(wanted.map((file) => [file.path, file]));
    this.neededFolders = foldersOver(wanted);
    this.ownFolders = new Set(ledger.folders);
    this.times = new Map(ledger.times);
    this.next = ledger.next;
  }

  plan(): LayoutPlan {
    for (const entry of this.ledger.entries) if (!this.wantedAt.has(entry.path)) this.takeAway(entry);
    const idle = this.ledger.folders.filter((folder) => !this.neededFolders.has(folder));
    const unmade = idle.sort((a, b) => (a < b ? 1 : -1));
    for (const folder of unmade) this.touch(folderOf(folder));
    const made = this.makeFolders();
    for (const file of this.wanted) this.place(file);
    const others = this.ledger.others.filter(([path, number]) => !this.comesBack(path, number));
    const acts = [
      ...this.removing,
      ...unmade.map((path) => ({ does: "unmake-folder" as const, path })),
      ...made.map((path) => ({ does: "make-folder" as const, path })),
      ...this.putting,
    ];
    const { ledger: before, inTheWay, changed } = this;
    const after = acts.length === 0 && this.isAllKnown() ? before : this.ledgerAfter(others, made);
    return { before, acts, after, inTheWay, changed };
  }

  private isAllKnown = (): boolean =>
    this.after.length === this.entries.size &&
    this.after.every((entry) => this.entries.get(entry.path) === entry);

  private ledgerAfter(others: Ledger["others"], made: readonly string[]): Ledger {
    const kept = this.ledger.folders.filter((folder) => this.neededFolders.has(folder));
    return {
      ...this.ledger,
      entries: this.after,
      others,
      folders: [...new Set([...kept, ...made])],
      times: [...this.times],
      next: this.next,
    };
  }

  /** Of a folder that others made it is noted when it was last changed, before anything in it is. */
  private touch(folder: string): void {
    if (this.ownFolders.has(folder) || this.times.has(folder)) return;
    const lying = this.look(folder);
    if (lying) this.times.set(folder, lying.changed);
  }

  private takeAway(entry: LedgerEntry): void {
    const { path, aside } = entry;
    const lying = this.look(path);
    if (isAsPut(lying, entry)) this.removing.push({ does: "remove", path });
    else if (lying?.kind === "file") this.removing.push({ does: "keep", path, number: this.next++ });
    if (aside !== null) this.removing.push({ does: "put-back", path, number: aside });
    this.touch(folderOf(path));
  }

  /** Where something else lies by now it goes on waiting. */
  private comesBack(path: string, number: number): boolean {
    if (!this.ways.takesBack || this.look(path) !== null) return false;
    this.putting.push({ does: "put-back", path, number });
    this.touch(folderOf(path));
    return true;
  }

  private makeFolders(): string[] {
    return [...this.neededFolders].sort().filter((folder) => {
      if (this.ownFolders.has(folder) && this.look(folder)?.kind === "folder") return false;
      const lying = this.isGoing(folder) ? null : this.look(folder);
      if (lying === null) this.touch(folderOf(folder));
      else if (lying.kind !== "folder") this.blockedBy(lying.kind, folder);
      return lying === null;
    });
  }

  /** A file of Seating's that is there no longer once a folder is made in its place. */
  private isGoing = (path: string): boolean =>
    this.entries.has(path) && !this.wantedAt.has(path) && this.entries.get(path)!.aside === null;

  private blockedBy(kind: InTheWay["kind"], path: string): void {
    const file = this.wantedAt.get(path) ?? this.wanted.find((each) => each.path.startsWith(`${path}/`))!;
    this.inTheWay.push({ kind, path, mod: file.mod });
  }

  private place({ path, mod, size, hash, isOwnCopy, date }: PlacedFile): void {
    const entry = this.entries.get(path);
    const lying = this.look(path);
    const isGone = lying?.kind === "folder" && this.ownFolders.has(path);
    if (lying && lying.kind !== "file" && !isGone) return this.blockedBy(lying.kind, path);
    const isThat = entry?.hash === hash && entry.date === date;
    const isSame = isThat && !this.ways.putAgain;
    const isChanged = lying?.kind === "file" && !(entry && isAsPut(lying, entry));
    let aside = entry?.aside ?? null;
    if (isChanged && isSame) this.changed.push(path);
    else if (isChanged) {
      const number = this.next++;
      if (!entry) aside = number;
      this.putting.push({ does: entry ? "keep" : "set-aside", path, number });
    }
    const isKnown = isThat && entry.mod === mod && entry.isOwnCopy === isOwnCopy && entry.aside === aside;
    this.after.push(isKnown ? entry : { path, mod, size, hash, aside, isOwnCopy, date });
    if (isThat && lying?.kind === "file" && !(isChanged && this.ways.putAgain)) return;
    this.touch(folderOf(path));
    this.putting.push({ does: "put", path, size, hash, isOwnCopy, date });
  }
}
