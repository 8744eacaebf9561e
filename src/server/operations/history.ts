import "server-only";
import type { EditLabel, Step } from "@/core/model/edit";
import type { ProfileId } from "@/core/model/ids";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { Profile, ProfileState } from "@/core/model/profile";
import { applySteps } from "@/core/edit/steps";
import {
  findEntry,
  findNext,
  listJournal,
  readSpan,
  readHistory,
  setUndone,
  type History,
  type JournalEntry,
  type Way,
} from "@/store/journal";
import { setFollowed } from "@/store/lineups";
import { findProfile, saveState } from "@/store/profiles";
import type { Db, Tx } from "@/store/sql";
import type { Context } from "../context";
import { tellOfChange, type Change } from "./edit-profile";
import { readFollowed, type Followed } from "./followed";
import { findProfileKnown } from "./situation";

export interface Returned {
  readonly profile: Profile;
  readonly history: History;
  /** Only there if another list is followed now, or none. */
  readonly followed?: Followed | null;
}

export interface Travelled extends Returned {
  /** What led from the profile as it was to what it is now. */
  readonly steps: readonly Step[];
}

/** Takes back the last edit, or does the last one that was taken back again. */
export const step = (
  context: Context,
  profileId: ProfileId,
  version: number,
  way: Way,
): Promise<Outcome<Travelled>> =>
  travel(context, profileId, version, async (tx) => {
    const entry = await findNext(tx, profileId, way);
    return entry ? done([{ entry, way }]) : refuse(`nothing-to-${way}`);
  });

/** Undoes, or does again, all that lies between the profile as it is and as it was after an edit of this number. */
export const goToEdit = (
  context: Context,
  profileId: ProfileId,
  version: number,
  number: number,
): Promise<Outcome<Travelled>> => travel(context, profileId, version, (tx) => wayTo(tx, profileId, number));

/** One edit of the journal, and whether it is taken back or done again. */
interface Stage {
  readonly entry: JournalEntry;
  readonly way: Way;
}

async function travel(
  context: Context,
  profileId: ProfileId,
  version: number,
  findWay: (tx: Tx) => Promise<Outcome<readonly Stage[]>>,
): Promise<Outcome<Travelled>> {
  let change: Change | null = null;
  const travelled = await context.db.transaction(async (tx): Promise<Outcome<Travelled>> => {
    const profile = await findProfileKnown(context, tx, profileId);
    if (!profile) return refuse("no-profile");
    if (profile.version !== version) return refuse("stale");
    const found = await findWay(tx);
    if (!found.ok) return found;
    const stages = found.value;
    const steps = stages.flatMap(stepsOf);
    const applied = applySteps(profile.state, steps);
    if (!applied.ok) return applied;
    const { state } = applied.value;
    for (const { entry, way } of stages) await setUndone(tx, profileId, entry.number, way === "undo");
    change = { before: profile.state, after: state };
    await saveState(tx, profileId, version + 1, state, profile.state);
    const now = { profile: { ...profile, version: version + 1, state }, steps };
    const last = stages.findLast(({ entry }) => entry.followed);
    if (!last) return done({ ...now, history: await readHistory(tx, profileId) });
    const { before, after } = last.entry.followed!;
    await setFollowed(tx, profileId, last.way === "undo" ? before : after);
    const history = await readHistory(tx, profileId);
    return done({ ...now, history, followed: await readFollowed(tx, profileId) });
  });
  if (travelled.ok && change) {
    const { game, version: now } = travelled.value.profile;
    tellOfChange(context, game, profileId, now, change);
  }
  return travelled;
}

const stepsOf = ({ entry, way }: Stage): readonly Step[] => (way === "undo" ? entry.inverse : entry.steps);

/** Refused where the edit is not kept; the one before the oldest that is stands for the state before that. */
async function wayTo(tx: Tx, profileId: ProfileId, number: number): Promise<Outcome<readonly Stage[]>> {
  const kept = await listJournal(tx, profileId);
  const oldest = kept.at(-1)?.number ?? 0;
  if (number !== oldest - 1 && !kept.some((each) => each.number === number)) return refuse("edit-gone");
  const back = kept.filter((each) => !each.undone && each.number > number);
  const on = kept.filter((each) => each.undone && each.number <= number).reverse();
  const stages: Stage[] = [];
  for (const each of [...back, ...on]) {
    const entry = await findEntry(tx, profileId, each.number);
    stages.push({ entry: entry!, way: each.undone ? "redo" : "undo" });
  }
  return done(stages);
}

/** The state that the profile had after an edit of its journal, or has again once it is done again. */
export async function stateAfterEdit(
  tx: Tx,
  profileId: ProfileId,
  number: number,
): Promise<Outcome<ProfileState>> {
  const profile = await findProfile(tx, profileId);
  if (!profile) return refuse("no-profile");
  const way = await wayTo(tx, profileId, number);
  if (!way.ok) return way;
  const applied = applySteps(profile.state, way.value.flatMap(stepsOf));
  return applied.ok ? done(applied.value.state) : applied;
}

export interface JournalLine {
  readonly number: number;
  readonly label: EditLabel;
  /** ISO 8601. */
  readonly at: string;
}

/** What of a journal its reader does not know yet. */
export interface JournalNews {
  /** The newest first: those after the one that is known, or all where that one is not in the journal any more. */
  readonly lines: readonly JournalLine[];
  readonly isWhole: boolean;
  /** Number of the oldest edit that is kept. */
  readonly oldest: number;
  /** Number of the last edit that is not undone; the one before the oldest where all are. */
  readonly present: number;
}

/** The edits that are kept; `known` is the newest that the reader has, and with it all before it. */
export const readJournal = (
  { db }: Context,
  profileId: ProfileId,
  known: Pick<JournalLine, "number" | "at"> | null,
): Promise<Outcome<JournalNews>> =>
  db.transaction(async (tx) => {
    const { oldest, present } = await readSpan(tx, profileId);
    const [same] = known ? await listJournal(tx, profileId, known.number, known.number) : [];
    const isWhole = same?.at.toISOString() !== known?.at || !known;
    const lines = await listJournal(tx, profileId, isWhole ? oldest : known.number + 1);
    return done({
      lines: lines.map(({ number, label, at }) => ({ number, label, at: at.toISOString() })),
      isWhole,
      oldest,
      present,
    });
  });

export const readReturned = (db: Db, profileId: ProfileId): Promise<Outcome<Returned>> =>
  db.transaction((tx) => readBack(tx, profileId));

async function readBack(tx: Tx, profileId: ProfileId): Promise<Outcome<Returned>> {
  const profile = await findProfile(tx, profileId);
  return profile ? done({ profile, history: await readHistory(tx, profileId) }) : refuse("no-profile");
}
