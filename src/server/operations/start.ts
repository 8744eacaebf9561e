import "server-only";
import { mkdirSync, writeFileSync } from "node:fs";
import { dirname, join, resolve } from "node:path";
import { orderFileGap } from "@/core/check/order-file";
import { factsOfRoster, fingerprintOf } from "@/core/lineup/fingerprint";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { OwnWay, type Command, type StartWay } from "@/core/model/start";
import type { Profile } from "@/core/model/profile";
import {
  wentWell,
  type Elsewhere,
  type OfferedWay,
  type OfferedWays,
  type Trial,
  type Verdict,
} from "@/core/model/trial";
import { commandOf, wayKey, type StartPlace } from "@/core/start/command";
import { launchLine, shortcutOf, type Launching } from "@/core/start/shortcut";
import { sha256Of } from "@/disk/digest";
import { root } from "@/disk/places";
import { noneMeant } from "@/disk/profiles-of-game";
import { isProgram, startProgram } from "@/disk/start/program";
import type { RegisteredGame } from "@/store/games";
import { saveRun, turnRun } from "@/store/profiles";
import * as store from "@/store/trials";
import type { Context } from "../context";
import { readOnDisk } from "./order-file";
import { profileOfGame } from "./profile-of-game";
import { inTurn } from "./layout";
import { currentGame, readProfile, readSituation, type Situation } from "./situation";

interface Way {
  readonly from: OfferedWay["from"];
  readonly way: StartWay | OwnWay;
}

/** All ways to start a game, its usual one first. */
async function waysOf(context: Context, game: RegisteredGame): Promise<Way[]> {
  const named = (game.definition.start ?? []).map((way): Way => ({ from: "definition", way }));
  const own = (await store.listOwnWays(context.db, game.id)).map((way): Way => ({ from: "owner", way }));
  return [...(named.length > 0 ? named : [standInWay(context, game)]), ...own];
}

const lawsOf = ({ folder }: Pick<Context, "folder">, { id }: RegisteredGame): string =>
  join(folder, "trials", `${id}.laws.json`);

/** What ships tries whether a game would start of which nobody says how it is started. */
const standInWay = (context: Context, game: RegisteredGame): Way => ({
  from: "stand-in",
  way: {
    id: "stand-in",
    name: game.definition.name,
    starts: "profile",
    program: join(root(), "dist", "standin-game.mjs"),
    arguments: [
      ...["--laws", lawsOf(context, game), "--game", "{game}", "--order", "{order}"],
      ...(game.definition.profilesOfGame ? ["--profile={player}"] : []),
    ],
  },
});

const digestOf = ({ way }: Way, { folders }: RegisteredGame): string =>
  sha256Of(JSON.stringify([folders.game, wayKey(way)]));

/** What each runs, as it stands, and whether its owner has confirmed just that. */
export async function readWays(context: Context): Promise<Outcome<OfferedWays>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const confirmed = await store.listConfirmed(context.db, game.value.id);
  const ways = (await waysOf(context, game.value)).map((each): OfferedWay => {
    const { way, from } = each;
    const program = programOf(way, game.value);
    const digest = digestOf(each, game.value);
    return {
      id: way.id,
      name: way.name,
      starts: way.starts,
      from,
      digest,
      isConfirmed: from === "stand-in" || confirmed.has(digest),
      isThere: isProgram(program),
      program,
      arguments: way.arguments ?? [],
      folder: way.folder === undefined ? dirname(program) : join(game.value.folders.game, way.folder),
      environment: way.environment ?? [],
    };
  });
  const { profileId } = game.value;
  const profile = profileId && (await readProfile(context, profileId));
  if (!profile) return done({ ways, last: null, elsewhere: null });
  const last = await store.lastWay(context.db, profile.id);
  return done({ ways, last, elsewhere: elsewhereOf(context, profile) });
}

function elsewhereOf({ folder }: Context, { id, name }: Profile): Elsewhere {
  const launching: Launching = {
    isWindows: process.platform === "win32",
    node: process.execPath,
    seating: join(root(), "dist", "seating.mjs"),
    home: resolve(folder),
    profile: id,
    name,
  };
  return { line: launchLine(launching), ...shortcutOf(launching) };
}

const programOf = (way: StartWay | OwnWay, { folders }: RegisteredGame): string =>
  OwnWay.shape.program.safeParse(way.program).success ? way.program : join(folders.game, way.program);

/** `digest`: of what was read; a way that has become another one since is not confirmed. */
export async function confirmWay(context: Context, digest: string): Promise<Outcome<null>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const ways = await waysOf(context, game.value);
  if (!ways.some((each) => digestOf(each, game.value) === digest))
    return refuse("start-no-way", { game: game.value.definition.name });
  await store.confirmWay(context.db, game.value.id, digest);
  return done(null);
}

/** Whoever names a way has read it. */
export async function saveOwnWay(context: Context, way: OwnWay): Promise<Outcome<null>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  await context.db.transaction(async (tx) => {
    await store.saveOwnWay(tx, game.value.id, way);
    await store.confirmWay(tx, game.value.id, digestOf({ from: "owner", way }, game.value));
  });
  return done(null);
}

export async function removeOwnWay(context: Context, id: string): Promise<Outcome<null>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  await store.removeOwnWay(context.db, game.value.id, id);
  return done(null);
}

/** Confirms what Seating has itself put there. */
export async function confirmShipped({ db }: Context, game: RegisteredGame): Promise<void> {
  for (const way of game.definition.start ?? [])
    await store.confirmWay(db, game.id, digestOf({ from: "definition", way }, game));
}

/** Starts the present game with its present profile; `wayId`: null for the way it was started last, or the usual one. */
export const startGame = (context: Context, wayId: string | null): Promise<Outcome<Trial>> =>
  inTurn(context, (game) => startInTurn(context, game, wayId));

async function startInTurn(
  context: Context,
  game: RegisteredGame,
  wayId: string | null,
): Promise<Outcome<Trial>> {
  const situation = game.profileId ? await readSituation(context, game.profileId) : refuse("no-profile");
  if (!situation.ok) return situation;
  const chosen = await chosenWay(context, game, wayId);
  if (!chosen.ok) return chosen;
  const command = await commandFor(game, chosen.value.way, situation.value);
  if (!command.ok) return command;
  if (chosen.value.from === "stand-in") writeLaws(context, game);
  const id = crypto.randomUUID();
  const started = await startProgram(command.value, context.trials.logOf(id));
  if (!started.ok) return started;
  const { profile } = situation.value;
  const { name } = chosen.value.way;
  const isBare = chosen.value.way.starts === "bare";
  const fingerprint = isBare ? null : await fingerprintThatIsRead(context, game, situation.value);
  await context.db.transaction(async (tx) => {
    await store.beginTrial(tx, {
      id,
      profile: profile.id,
      way: name,
      fingerprint,
      process: started.value.mark,
    });
    await store.setLastWay(tx, profile.id, chosen.value.way.id);
  });
  const keep = async (code: number | null) => {
    if (code === 0 && fingerprint !== null) await saveRun(context.db, profile.id, id, profile.state);
  };
  void context.trials.follow({ id, game: game.id, profile: profile.id }, started.value.ended, keep);
  return done((await store.getTrial(context.db, id))!);
}

async function chosenWay(
  context: Context,
  game: RegisteredGame,
  wayId: string | null,
): Promise<Outcome<Way>> {
  const ways = await waysOf(context, game);
  const last = wayId ?? (game.profileId && (await store.lastWay(context.db, game.profileId)));
  const chosen = ways.find(({ way }) => way.id === last) ?? (wayId === null ? ways[0] : undefined);
  if (!chosen) return refuse("start-no-way", { game: game.definition.name });
  const program = programOf(chosen.way, game);
  if (!isProgram(program)) return refuse("start-no-program", { way: chosen.way.name, path: program });
  if (chosen.from === "stand-in") return done(chosen);
  const confirmed = await store.listConfirmed(context.db, game.id);
  return confirmed.has(digestOf(chosen, game))
    ? done(chosen)
    : refuse("start-unconfirmed", { way: chosen.way.name });
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
