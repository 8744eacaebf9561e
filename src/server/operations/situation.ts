import "server-only";
import type { ProfileId } from "@/core/model/ids";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { Profile, ProfileState } from "@/core/model/profile";
import { makeRoster, type Roster, type Stock } from "@/core/roster/roster";
import { listGames, findCurrentGame, type RegisteredGame } from "@/store/games";
import { findProfile } from "@/store/profiles";
import type { Sql } from "@/store/sql";
import type { Context } from "../context";
import { getStock } from "../stock";

interface Situation {
  readonly game: RegisteredGame;
  readonly profile: Profile;
  readonly stock: Stock;
  readonly roster: Roster;
}

/** A profile with its game and what lies on the disk; `db` is the handle to read with. */
export async function readSituation(
  { stocks, orders }: Context,
  db: Sql,
  profileId: ProfileId,
): Promise<Outcome<Situation>> {
  const profile = await readProfile({ orders }, db, profileId);
  if (!profile) return refuse("no-profile");
  const game = (await listGames(db)).find((each) => each.id === profile.game);
  if (!game) return refuse("no-game");
  const stock = await getStock({ stocks, db }, game);
  return done({ game, profile, stock, roster: makeRoster(game.definition, profile, stock) });
}

/** The profile as it is stored; its orders are read only if they are not known at this version. */
export async function readProfile(
  { orders }: Pick<Context, "orders">,
  db: Sql,
  profileId: ProfileId,
): Promise<Profile | null> {
  const profile = await findProfile(db, profileId, orders.get(profileId));
  if (profile) rememberOrders({ orders }, profile.id, profile.version, profile.state);
  return profile;
}

/** To be called with what is stored for good, not within a transaction that may yet fail. */
export function rememberOrders(
  { orders }: Pick<Context, "orders">,
  profileId: ProfileId,
  version: number,
  { mods, plugins }: ProfileState,
): void {
  orders.set(profileId, { version, mods, plugins });
}

export async function currentGame({ db }: Context): Promise<Outcome<RegisteredGame>> {
  const game = await findCurrentGame(db);
  return game ? done(game) : refuse("no-game");
}
