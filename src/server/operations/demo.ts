import { say } from "@/core/language/say";
import "server-only";
import type { ProfileId } from "@/core/model/ids";
import { appendFile, readFile, rm } from "node:fs/promises";
import { join } from "node:path";
import { done, type Outcome } from "@/core/model/outcome";
import type { DemoGame, DemoPlan } from "@/standin/demo/make-demo";
import { gameFiles, sha256Of } from "@/disk/game-files";
import { hasWritten } from "@/store/order-files";
import { countFindings } from "@/store/health";
import { setProfileOfGame } from "@/store/profiles";
import { saveRulebook } from "@/store/rulebooks";
import { chooseGame, chooseProfile, findCurrentGame, listGames } from "@/store/games";
import { confirmShipped } from "../confirmed-ways";
import type { Context } from "../context";
import { registerGame } from "./games";
import { layOut } from "./layout";
import { asMeant } from "./profile-of-game";
import { addProfile } from "./profiles";
import { readShelfOfGame } from "./read-shelf";
import { readSituation } from "./situation";

/** Sets the demo up from its folder, once: registers its games, reads their shelves, makes their profiles. */
export async function setUpDemo(
  context: Context,
  folder: string,
  tell: (line: string) => void,
): Promise<Outcome<null>> {
  if (await findCurrentGame(context.db)) {
    tell(say("server.demo.isThere"));
    return done(null);
  }
  const plan = JSON.parse(await readFile(join(folder, "demo.json"), "utf8")) as DemoPlan;
  for (const game of plan.games) {
    const made = await setUpGame(context, folder, game, tell);
    if (!made.ok) return made;
  }
  await countAsWritten(context, plan.games[0]!.id);
  await chooseGame(context.db, plan.games[0]!.id);
  return done(null);
}

async function setUpGame(
  context: Context,
  folder: string,
  game: DemoGame,
  tell: (line: string) => void,
): Promise<Outcome<null>> {
  tell(say("server.demo.registering", { game: game.id }));
  const added = await registerGame(context, {
    game: game.id,
    folders: {
      game: join(folder, game.gameFolder),
      order: join(folder, game.gameFolder),
      shelves: [join(folder, game.shelfFolder)],
    },
  });
  if (!added.ok) return added;
  const read = await readShelfOfGame(context, ({ done: count, total }) => {
    if (count % 20 === 0 || count === total) tell(say("server.demo.reading", { count, total }));
  });
  for (const book of game.books) await saveRulebook(context.db, game.id, book);
  if (!read.ok) return read;
  const made = await addProfiles(context, game, tell);
  if (!made.ok) return made;
  const registered = (await listGames(context.db)).find(({ id }) => id === game.id)!;
  await confirmShipped(context.db, registered);
  return game.laidOut ? layFirstOut(context, made.value, game.laidOut) : done(null);
}

/** Lays a profile out, and does to its files what somebody is to have done since. */
async function layFirstOut(
  context: Context,
  [first]: readonly ProfileId[],
  { changed, deleted }: NonNullable<DemoGame["laidOut"]>,
): Promise<Outcome<null>> {
  const situation = await readSituation(context, first!);
  if (!situation.ok) return situation;
  const { game, roster } = situation.value;
  const meant = await asMeant(game);
  if (!meant.ok) return meant;
  const laid = await layOut(context, meant.value, roster);
  if (!laid.ok) return laid;
  await appendFile(join(game.folders.game, changed), "by hand\n");
  await rm(join(game.folders.game, deleted));
  return done(null);
}

/** The order that the demo finds there is one that was written before; in its other games somebody else has done so. */
async function countAsWritten({ db }: Context, gameId: string): Promise<void> {
  const game = (await listGames(db)).find(({ id }) => id === gameId)!;
  const { order } = gameFiles(game.definition, game.folders);
  const contents = await readFile(order);
  await db.transaction((tx) =>
    hasWritten(tx, gameId, { path: order, sha256: sha256Of(contents), profileId: null, edits: 0 }),
  );
}

/** Invented: what was found on the days before the demo began. */
const earlierDays = [
  [2, 3, 1],
  [2, 3, 1],
  [9, 6, 2],
  [12, 9, 3],
  [12, 8, 3],
  [8, 8, 4],
  [8, 6, 4],
  [5, 6, 4],
  [7, 5, 3],
].map(([blocker = 0, problem = 0, hint = 0]) => ({ blocker, problem, hint }));

async function addProfiles(
  context: Context,
  { id: gameId, profiles }: DemoGame,
  tell: (line: string) => void,
): Promise<Outcome<ProfileId[]>> {
  const ids: ProfileId[] = [];
  for (const { state, ofGame, ...facts } of profiles) {
    tell(say("server.demo.making", { name: facts.name }));
    const made = await context.db.transaction((tx) => addProfile(tx, gameId, facts, state));
    if (!made.ok) return made;
    ids.push(made.value.id);
    if (ofGame !== undefined) await setProfileOfGame(context.db, made.value.id, ofGame);
  }
  await context.db.transaction(async (tx) => {
    for (const [at, counts] of earlierDays.entries())
      await countFindings(tx, ids[0]!, earlierDays.length - at, counts);
  });
  await chooseProfile(context.db, gameId, ids[0]!);
  return done(ids);
}
