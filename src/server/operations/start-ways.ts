import "server-only";
import { join, resolve } from "node:path";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { Elsewhere, OfferedWay, OfferedWays, OwnWay, StartWay } from "@/core/model/start";
import type { Profile } from "@/core/model/profile";
import { placeOfWay } from "@/core/start/command";
import { launchLine, shortcutOf } from "@/core/start/shortcut";
import { root } from "@/disk/places";
import { isProgram } from "@/disk/start/program";
import type { RegisteredGame } from "@/store/games";
import * as store from "@/store/trials";
import { digestOf } from "../confirmed-ways";
import type { Context } from "../context";
import { currentGame, readProfile } from "./situation";

interface Way {
  readonly from: OfferedWay["from"];
  readonly way: StartWay | OwnWay;
}

/** Where the laws of a game lie that the stand-in tries. */
export const lawsOf = ({ folder }: Pick<Context, "folder">, { id }: Pick<RegisteredGame, "id">): string =>
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

interface KnownWay {
  readonly way: StartWay | OwnWay;
  readonly offered: OfferedWay;
}

/** All ways to start a game, its usual one first: what each runs, as it stands, and whether its owner has confirmed just that. */
async function waysOf(context: Context, game: RegisteredGame): Promise<KnownWay[]> {
  const named = (game.definition.start ?? []).map((way): Way => ({ from: "definition", way }));
  const own = (await store.listOwnWays(context.db, game.id)).map((way): Way => ({ from: "owner", way }));
  const confirmed = await store.listConfirmed(context.db, game.id);
  return [...(named.length > 0 ? named : [standInWay(context, game)]), ...own].map(({ from, way }) => {
    const place = placeOfWay(way, game.folders.game);
    const digest = digestOf(way, game);
    return {
      way,
      offered: {
        id: way.id,
        name: way.name,
        starts: way.starts,
        from,
        digest,
        isConfirmed: from === "stand-in" || confirmed.has(digest),
        isThere: isProgram(place.program),
        ...place,
        arguments: way.arguments ?? [],
        environment: way.environment ?? [],
      },
    };
  });
}

/** The id of the way by which the present profile was started last, or else the first one. */
async function usualOf(
  { db }: Context,
  { profileId }: RegisteredGame,
  ways: readonly KnownWay[],
): Promise<string> {
  const last = profileId && (await store.lastWay(db, profileId));
  return (ways.find(({ way }) => way.id === last) ?? ways[0]!).way.id;
}

export async function readWays(context: Context): Promise<Outcome<OfferedWays>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const ways = await waysOf(context, game.value);
  const { profileId } = game.value;
  const profile = profileId && (await readProfile(context, profileId));
  return done({
    ways: ways.map(({ offered }) => offered),
    usual: await usualOf(context, game.value, ways),
    elsewhere: profile ? elsewhereOf(context, profile) : null,
  });
}

function elsewhereOf({ folder }: Context, { id, name }: Profile): Elsewhere {
  const launching = {
    isWindows: process.platform === "win32",
    node: process.execPath,
    seating: join(root(), "dist", "seating.mjs"),
    home: resolve(folder),
    profile: id,
    name,
  };
  return { line: launchLine(launching), ...shortcutOf(launching) };
}

/** The way of that id, or the usual one; refused where it may not run, or its program is not there. */
export async function usableWay(
  context: Context,
  game: RegisteredGame,
  id: string | null,
): Promise<Outcome<KnownWay>> {
  const ways = await waysOf(context, game);
  const wanted = id ?? (await usualOf(context, game, ways));
  const known = ways.find(({ way }) => way.id === wanted);
  if (!known) return refuse("start-no-way", { game: game.definition.name });
  const { name, program, isThere, isConfirmed } = known.offered;
  if (!isThere) return refuse("start-no-program", { way: name, path: program });
  return isConfirmed ? done(known) : refuse("start-unconfirmed", { way: name });
}

/** `digest`: of what was read; a way that has become another one since is not confirmed. */
export async function confirmWay(context: Context, digest: string): Promise<Outcome<null>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const ways = await waysOf(context, game.value);
  if (!ways.some(({ offered }) => offered.digest === digest))
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
    await store.confirmWay(tx, game.value.id, digestOf(way, game.value));
  });
  return done(null);
}

export async function removeOwnWay(context: Context, id: string): Promise<Outcome<null>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  await store.removeOwnWay(context.db, game.value.id, id);
  return done(null);
}
