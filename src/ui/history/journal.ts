import type { JournalLine, JournalNews } from "@/server/operations/history";

/** The edits of a profile as far as they are kept, the newest first. */
export interface Journal {
  readonly lines: readonly JournalLine[];
  /** Number of the last edit that is not undone. */
  readonly present: number;
}

export const noJournal: Journal = { lines: [], present: 0 };

/** With what the server told of it since. */
export function withNews({ lines }: Journal, news: JournalNews): Journal {
  const kept = news.isWhole ? [] : lines.filter(({ number }) => number >= news.oldest);
  return { lines: [...news.lines, ...kept], present: news.present };
}
