import type { HandChange, HandChanges } from "./conflicts";

/** What changes hands, as much of it as is told at once. */
export interface HandSummary {
  readonly files: number;
  readonly records: number;
  /** Who provides more than before, those who gain most first; null: what nobody provides any more. */
  readonly takers: readonly { readonly id: string | null; readonly count: number }[];
  /** The first of all, files before records, each by its name. */
  readonly first: readonly (HandChange & { readonly kind: "file" | "record" })[];
}

const mostListed = 200;

export function summaryOf({ files, records }: HandChanges): HandSummary {
  const counts = new Map<string | null, number>();
  for (const { to } of [...files, ...records]) counts.set(to, (counts.get(to) ?? 0) + 1);
  const sorted = (changes: readonly HandChange[]) => [...changes].sort((a, b) => (a.key < b.key ? -1 : 1));
  const first = [
    ...sorted(files).map((each) => ({ ...each, kind: "file" as const })),
    ...sorted(records).map((each) => ({ ...each, kind: "record" as const })),
  ];
  return {
    files: files.length,
    records: records.length,
    takers: [...counts].map(([id, count]) => ({ id, count })).sort((a, b) => b.count - a.count),
    first: first.slice(0, mostListed),
  };
}
