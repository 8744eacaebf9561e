import "server-only";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { Profile } from "@/core/model/profile";
import { makeRoster, type Roster, type Stock } from "@/core/profile/roster";
import { listGames, findCurrentGame, type RegisteredGame } from "@/store/games";
import { findProfile } from "@/store/profiles";
import type { Sql } from "@/store/sql";
import type { Context } from "../context";
import { getStock } from "../stock";

export interface Situation {
  readonly game: RegisteredGame;
  readonly profile: Profile;
  readonly stock: Stock;
  readonly roster: Roster;
}

/** A profile with its game and what lies on the disk; `db` is the handle to read with. */
export async function readSituation(
  { stocks }: Context,
  db: Sql,
  profileId: string,
): Promise<Outcome<Situation>> {
  const profile = await findProfile(db, profileId);
  if (!profile) return refuse("no-profile");
  const game = (await listGames(db)).find((each) => each.id === profile.game);
  if (!game) return refuse("no-game");
  const stock = await getStock({ stocks, db }, game);
  return done({ game, profile, stock, roster: makeRoster(game.definition, profile, stock) });
}

export async function currentGame({ db }: Context): Promise<Outcome<RegisteredGame>> {
  const game = await findCurrentGame(db);
  return game ? done(game) : refuse("no-game");
}
