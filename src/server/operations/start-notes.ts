import "server-only";
import { compareStates } from "@/core/compare/states";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { openConditions, startNotesOf, type StartNotes } from "@/core/start/start-notes";
import { findRun } from "@/store/profiles";
import { listTicks, tick, untick } from "@/store/start-ticks";
import type { Context } from "../context";
import { currentGame, readSituation, type Situation } from "./situation";

export async function readStartNotes(context: Context): Promise<Outcome<StartNotes>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const { profileId } = game.value;
  const situation = profileId ? await readSituation(context, profileId) : refuse("no-profile");
  return situation.ok ? done(await notesFor(context, situation.value)) : situation;
}

async function notesFor({ db }: Context, { profile, roster }: Situation): Promise<StartNotes> {
  const run = await findRun(db, profile.id);
  const told = startNotesOf(roster, run && compareStates(run.state, profile.state));
  return { told, ticked: [...(await listTicks(db, profile.id))] };
}

export async function tickCondition(
  context: Context,
  key: string,
  isMet: boolean,
): Promise<Outcome<StartNotes>> {
  const notes = await readStartNotes(context);
  if (!notes.ok) return notes;
  const game = await currentGame(context);
  if (!game.ok) return game;
  const profileId = game.value.profileId!;
  if (!isMet) await untick(context.db, profileId, [key]);
  else if (notes.value.told.some((each) => each.key === key)) await tick(context.db, profileId, key);
  return readStartNotes(context);
}

/** Refused where a condition is not met yet. */
export async function conditionsMet(context: Context, situation: Situation): Promise<Outcome<null>> {
  const { told, ticked } = await notesFor(context, situation);
  const [first, ...more] = openConditions(told, new Set(ticked));
  return first ? refuse("start-conditions", { first: first.note.text, more: more.length }) : done(null);
}

/** What has to be met anew before each start is not met any more. */
export async function forgetConditions(context: Context, situation: Situation): Promise<void> {
  const { told } = await notesFor(context, situation);
  const passing = told.filter(({ note }) => note.keeps !== true).map(({ key }) => key);
  await untick(context.db, situation.profile.id, passing);
}
