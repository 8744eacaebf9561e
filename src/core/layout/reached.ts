import type { Ledger, LedgerEntry } from "../model/ledger";
import { isAsPut, type Lying } from "./plan";

interface Present {
  readonly look: (path: string) => Lying | null;
  /** Whether a file of the game's waits aside under this number. */
  readonly isAside: (number: number) => boolean;
}

/** What is so where a plan was begun and never ended: `before` it, and `after` it, as far as what lies there says that it came. */
export function reached(before: Ledger, after: Ledger, present: Present): Ledger {
  const { look } = present;
  const [old, now] = [before, after].map(({ entries }) => new Map(entries.map((each) => [each.path, each])));
  const paths = new Set([...old!.keys(), ...now!.keys()]);
  const folders = new Set([...before.folders, ...after.folders]);
  return {
    ...after,
    entries: [...paths].flatMap(
      (path) => entryReached(old!.get(path), now!.get(path), look(path), present) ?? [],
    ),
    others: [...new Map([...before.others, ...after.others])].filter(([, number]) => present.isAside(number)),
    folders: [...folders].filter((folder) => look(folder)?.kind === "folder"),
    next: Math.max(before.next, after.next),
  };
}

function entryReached(
  old: LedgerEntry | undefined,
  now: LedgerEntry | undefined,
  lying: Lying | null,
  { isAside }: Present,
): LedgerEntry | null {
  if (old && now) return isAsPut(lying, now) ? now : old;
  const entry = (old ?? now)!;
  // Once the game's own file has been moved it is Seating's turn, until it is back.
  if (entry.aside !== null) return isAside(entry.aside) ? entry : null;
  if (isAsPut(lying, entry)) return entry;
  // What was changed of Seating's has not been moved yet.
  return old && lying?.kind === "file" ? old : null;
}
