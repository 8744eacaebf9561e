import { say } from "@/core/language/say";
import type { JournalLine } from "@/server/operations/history";
import type { Journal } from "./journal";

interface Shown {
  readonly key: string;
  readonly at: Date;
  readonly what: string;
  /** The profile is as it was then. */
  readonly isNow: boolean;
  readonly isUndone: boolean;
}

/** A state of a profile that can be gone back to: after an edit, before all of them, or one that was kept by a name. */
export type Moment = Shown &
  (
    | { readonly kind: "edit" | "start"; readonly number: number }
    | { readonly kind: "point"; readonly id: string }
  );

/** As a part of a sentence: "as it was …". */
export function nameOfMoment({ kind, what }: Moment): string {
  if (kind === "start") return say("history.beforeAllEditsThatAreKept");
  return kind === "point" ? say("history.at", { what }) : say("history.after", { what });
}

interface Point {
  readonly id: string;
  readonly name: string;
  /** ISO 8601. */
  readonly at: string;
}

/**
 * Edits, the newest first as they are told, with the restore points at their times among them; what lies before the oldest edit that is kept
 * stands last.
 */
export function momentsOf(
  { lines, present }: Journal,
  points: readonly Point[],
  words: (line: JournalLine) => string,
): readonly Moment[] {
  const edits = lines.map((line): Moment => ({
    kind: "edit",
    key: say("history.edit", { number: line.number }),
    number: line.number,
    at: new Date(line.at),
    what: words(line),
    isNow: line.number === present,
    isUndone: line.number > present,
  }));
  const oldest = lines.at(-1);
  const start: Moment[] = oldest
    ? [
        {
          kind: "start",
          key: "start",
          number: oldest.number - 1,
          at: new Date(oldest.at),
          what: oldest.number > 1 ? say("history.beforeTheOldestEditThatIs") : say("history.asItWasAtFirst"),
          isNow: present < oldest.number,
          isUndone: false,
        },
      ]
    : [];
  return merged([...edits, ...start], points.map(momentOfPoint));
}

export const momentOfPoint = ({ id, name, at }: Point): Moment => ({
  kind: "point",
  key: `point ${id}`,
  id,
  at: new Date(at),
  what: name,
  isNow: false,
  isUndone: false,
});

/** A point is kept before the edit with which it was made, at the same time. */
function merged(edits: readonly Moment[], points: readonly Moment[]): readonly Moment[] {
  const open = [...points].sort((a, b) => b.at.getTime() - a.at.getTime());
  const all: Moment[] = [];
  for (const edit of edits) {
    while (open[0] && open[0].at > edit.at) all.push(open.shift()!);
    all.push(edit);
  }
  return [...all, ...open];
}
