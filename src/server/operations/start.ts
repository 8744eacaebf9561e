import "server-only";
import { mkdirSync, writeFileSync } from "node:fs";
import { dirname } from "node:path";
import { orderFileGap } from "@/core/check/order-file";
import { factsOfRoster, fingerprintOf } from "@/core/lineup/fingerprint";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { Command, OwnWay, StartWay } from "@/core/model/start";
import { wentWell, type Trial, type Verdict } from "@/core/model/trial";
import { commandOf, type StartPlace } from "@/core/start/command";
import { noneMeant } from "@/disk/profiles-of-game";
import { startProgram } from "@/disk/start/program";
import type { RegisteredGame } from "@/store/games";
import { saveRun, turnRun } from "@/store/profiles";
import * as store from "@/store/trials";
import type { Context } from "../context";
import { readOnDisk } from "./order-file";
import { putKeptFiles } from "./kept-files";
import { profileOfGame } from "./profile-of-game";
import { inTurn } from "./layout";
import { currentGame, readSituation, type Situation } from "./situation";
import { conditionsMet, forgetConditions } from "./start-notes";
import { lawsOf, usableWay } from "./start-ways";

/**
 * Starts the present game with its present profile; `wayId`: null for the way it was started last, or the usual one; `isUnmet`: also where
 * conditions for it are not ticked.
 */
export const startGame = (
  context: Context,
  wayId: string | null,
  { isUnmet = false }: { readonly isUnmet?: boolean } = {},
): Promise<Outcome<Trial>> => inTurn(context, (game) => startInTurn(context, game, wayId, isUnmet));

async function startInTurn(
  context: Context,
  game: RegisteredGame,
  wayId: string | null,
  isUnmet: boolean,
): Promise<Outcome<Trial>> {
  const situation = game.profileId ? await readSituation(context, game.profileId) : refuse("no-profile");
  if (!situation.ok) return situation;
  const known = await usableWay(context, game, wayId);
  if (!known.ok) return known;
  const { way, offered } = known.value;
  const isMet = way.starts === "bare" || isUnmet ? done(null) : await conditionsMet(context, situation.value);
  if (!isMet.ok) return isMet;
  const command = await commandFor(game, way, situation.value);
  if (!command.ok) return command;
  const put = await putKeptFiles(context, game, way.starts === "bare" ? null : situation.value.profile.id);
  if (!put.ok) return put;
  if (offered.from === "stand-in") writeLaws(context, game);
  const id = crypto.randomUUID();
  const started = await startProgram(command.value, context.trials.logOf(id));
  if (!started.ok) return started;
  const { profile } = situation.value;
  const fingerprint =
    way.starts === "bare" ? null : await fingerprintThatIsRead(context, game, situation.value);
  await context.db.transaction(async (tx) => {
    await store.beginTrial(tx, {
      id,
      profile: profile.id,
      way: way.name,
      fingerprint,
      process: started.value.mark,
    });
    await store.setLastWay(tx, profile.id, way.id);
  });
  if (way.starts === "profile") await forgetConditions(context, situation.value);
  const keep = async (code: number | null) => {
    if (code === 0 && fingerprint !== null) await saveRun(context.db, profile.id, id, profile.state);
  };
  void context.trials.follow({ id, game: game.id, profile: profile.id }, started.value.ended, keep);
  return done((await store.getTrial(context.db, id))!);
}

async function commandFor(
  game: RegisteredGame,
  way: StartWay | OwnWay,
  { roster }: Situation,
): Promise<Outcome<Command>> {
  const { definition, folders } = game;
  const own = await profileOfGame(game);
  // Where the game keeps none yet, its start makes one.
  if (own && own.meant === null && own.names.length > 0) return noneMeant(definition, own);
  const place: StartPlace = {
    game: folders.game,
    order: folders.order,
    player: own ? (own.meant ?? "") : null,
    settings: definition.launchSettings ?? [],
    launch: roster.profile.state.launch,
  };
  return commandOf(way, place);
}

function writeLaws(context: Context, game: RegisteredGame): void {
  mkdirSync(dirname(lawsOf(context, game)), { recursive: true });
  writeFileSync(lawsOf(context, game), JSON.stringify(game.definition));
}

/** Null where the game reads another order than that of the profile. */
async function fingerprintThatIsRead(
  context: Context,
  game: RegisteredGame,
  { roster }: Situation,
): Promise<string | null> {
  const onDisk = await readOnDisk(context, game);
  return orderFileGap(roster, onDisk) === null ? fingerprintOf(factsOfRoster(roster)) : null;
}

/** Hands on what a start says until it has ended; answers how that was, or how it is where whoever reads has left. */
export async function readTrial(
  context: Context,
  id: string,
  onLine: (line: string) => void,
  signal?: AbortSignal,
): Promise<Outcome<Trial>> {
  await context.trials.read(id, onLine, signal);
  const trial = await store.getTrial(context.db, id);
  return trial ? done(trial) : refuse("trial-gone");
}

/** The start that goes on for the present game; null where none does. */
export async function readLiveTrial(context: Context): Promise<Outcome<Trial | null>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const live = context.trials.ofGame(game.value.id);
  return done(live && (await store.getTrial(context.db, live.id)));
}

/** What whoever played says of a start; where it went well, that is what was changed since is measured by. */
export async function judgeTrial(
  context: Context,
  id: string,
  verdict: Verdict | null,
  note: string,
): Promise<Outcome<Trial>> {
  const trial = await store.getTrial(context.db, id);
  if (!trial) return refuse("trial-gone");
  const judged = { ...trial, verdict, note };
  const isTurned = wentWell(trial) !== wentWell(judged) && trial.code === 0 && trial.fingerprint !== null;
  await context.db.transaction(async (tx) => {
    await store.judgeTrial(tx, id, verdict, note);
    if (isTurned && [wentWell(trial), wentWell(judged)].includes(true)) await turnRun(tx, trial.profile, id);
  });
  return done(judged);
}
