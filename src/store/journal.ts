import { EditLabel, type Step } from "@/core/model/edit";
import type { ProfileId } from "@/core/model/ids";
import { keptSteps } from "./kept-form";
import type { Sql, Tx } from "./sql";

/** Ids of lists that are kept for the profile, or null. */
export interface FollowedChange {
  readonly before: string | null;
  readonly after: string | null;
}

export interface JournalEntry {
  readonly number: number;
  readonly label: EditLabel;
  readonly steps: Step[];
  readonly inverse: Step[];
  /** Which list is followed, before and after; null of an edit that leaves it. */
  readonly followed: FollowedChange | null;
}

/** Forgets what had been undone, and adds the edit as the newest. */
export async function record(
  tx: Tx,
  profileId: ProfileId,
  entry: Omit<JournalEntry, "number">,
  editId: string | null = null,
): Promise<void> {
  await tx.query("delete from journal where profile_id = $1 and undone", [profileId]);
  await tx.query(
    `insert into journal (profile_id, number, label, steps, inverse, followed, edit_id, format)
     select $1, coalesce(max(number), 0) + 1, $2, $3, $4, $5, $6, $7 from journal where profile_id = $1`,
    [
      profileId,
      JSON.stringify(entry.label),
      JSON.stringify(entry.steps),
      JSON.stringify(entry.inverse),
      entry.followed && JSON.stringify(entry.followed),
      editId,
      keptSteps.format,
    ],
  );
}

/** Whether the edit that a window calls so is in the journal, done or undone. */
export async function holdsEdit(tx: Tx, profileId: ProfileId, editId: string): Promise<boolean> {
  const rows = await tx.query("select 1 from journal where profile_id = $1 and edit_id = $2", [
    profileId,
    editId,
  ]);
  return rows.length > 0;
}

/** The edit that would be undone next, or done again next; null if there is none. */
export const findNext = (db: Sql, profileId: ProfileId, way: Way): Promise<JournalEntry | null> =>
  findWhere(db, nextOf(way), [profileId, way === "redo"]);

/** One that is kept; null if there is none of this number. */
export const findEntry = (db: Sql, profileId: ProfileId, number: number): Promise<JournalEntry | null> =>
  findWhere(db, "where profile_id = $1 and number = $2 order by number", [profileId, number]);

async function findWhere(db: Sql, where: string, values: readonly unknown[]): Promise<JournalEntry | null> {
  const [row] = await db.query<JournalEntry & { format: number }>(
    `select number, label, steps, inverse, followed, format from journal ${where}`,
    [...values],
  );
  if (!row) return null;
  const { format, ...entry } = row;
  const [steps, inverse] = [keptSteps.read(entry.steps, format), keptSteps.read(entry.inverse, format)];
  return { ...entry, label: EditLabel.parse(entry.label), steps, inverse };
}

/** What is told of the edits that are kept, between two numbers or all, the newest first. */
export async function listJournal(db: Sql, profileId: ProfileId, from = 0, to = 2 ** 31 - 1) {
  const rows = await db.query<{ number: number; label: unknown; at: Date; undone: boolean }>(
    `select number, label, at, undone from journal
     where profile_id = $1 and number between $2 and $3 order by number desc`,
    [profileId, from, to],
  );
  return rows.map((row) => ({ ...row, label: EditLabel.parse(row.label) }));
}

/** Numbers of the oldest edit that is kept, and of the last that is not undone, which may be the one before it. */
export async function readSpan(db: Sql, profileId: ProfileId): Promise<{ oldest: number; present: number }> {
  const [row] = await db.query<{ oldest: number | null; present: number | null }>(
    `select min(number) as oldest, max(number) filter (where not undone) as present
     from journal where profile_id = $1`,
    [profileId],
  );
  const oldest = row?.oldest ?? 1;
  return { oldest, present: row?.present ?? oldest - 1 };
}

export type Way = "undo" | "redo";

const nextOf = (way: Way): string =>
  `where profile_id = $1 and undone = $2 order by number ${way === "undo" ? "desc" : "asc"} limit 1`;

/** Of the same nothing but what it is called, for its steps may be a whole order. */
async function findNextLabel(db: Sql, profileId: ProfileId, way: Way) {
  const [row] = await db.query<{ number: number; label: unknown }>(
    `select number, label from journal ${nextOf(way)}`,
    [profileId, way === "redo"],
  );
  return row ? { number: row.number, label: EditLabel.parse(row.label) } : null;
}

/** Forgets all but so many of the newest edits; answers whether any led to another list. */
export async function trimJournal(tx: Tx, profileId: ProfileId, most: number): Promise<boolean> {
  const gone = await tx.query<{ followed: boolean }>(
    `delete from journal where profile_id = $1
       and number <= (select max(number) - $2 from journal where profile_id = $1)
     returning followed is not null as followed`,
    [profileId, most],
  );
  return gone.some(({ followed }) => followed);
}

/** Reads each edit that is kept as undo would; throws at the first that is not sound. */
export async function checkJournal(tx: Tx, profileId: ProfileId): Promise<void> {
  const entries = await tx.query<{ number: number }>(
    "select number from journal where profile_id = $1 order by number",
    [profileId],
  );
  for (const { number } of entries) {
    const [row] = await tx.query<{ label: unknown; steps: unknown; inverse: unknown; format: number }>(
      "select label, steps, inverse, format from journal where profile_id = $1 and number = $2 order by number",
      [profileId, number],
    );
    EditLabel.parse(row!.label);
    keptSteps.read(row!.steps, row!.format);
    keptSteps.read(row!.inverse, row!.format);
  }
}

export const setUndone = (db: Sql, profileId: ProfileId, number: number, undone: boolean) =>
  db.query("update journal set undone = $3 where profile_id = $1 and number = $2", [
    profileId,
    number,
    undone,
  ]);

export interface History {
  readonly undo: EditLabel | null;
  readonly redo: EditLabel | null;
  /** Number of the last edit that is not undone. */
  readonly edits: number;
}

export async function readHistory(db: Sql, profileId: ProfileId): Promise<History> {
  const undo = await findNextLabel(db, profileId, "undo");
  const redo = await findNextLabel(db, profileId, "redo");
  return { undo: undo?.label ?? null, redo: redo?.label ?? null, edits: undo?.number ?? 0 };
}
