import "server-only";
import type { ProfileId } from "@/core/model/ids";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { Profile, ProfileState } from "@/core/model/profile";
import { makeRoster, type Roster, type Stock } from "@/core/roster/roster";
import { findCurrentGame, findGameOf, findGameOfBinned, type RegisteredGame } from "@/store/games";
import { findProfile } from "@/store/profiles";
import type { Tx } from "@/store/sql";
import type { Context } from "../context";
import { getStock } from "../stock";

/** What a profile stands on: its game, and what lies on the disk. */
interface Ground {
  readonly game: RegisteredGame;
  readonly stock: Stock;
}

export interface Situation extends Ground {
  readonly profile: Profile;
  readonly roster: Roster;
}

/** To be read before a transaction that needs it begins: reading it may wait for the database. */
export async function readGround(context: Context, profileId: ProfileId): Promise<Outcome<Ground>> {
  const game = await findGameOf(context.db, profileId);
  return game ? done({ game, stock: await getStock(context, game) }) : refuse("no-profile");
}

/** A profile with its game and what lies on the disk. */
export async function readSituation(context: Context, profileId: ProfileId): Promise<Outcome<Situation>> {
  const ground = await readGround(context, profileId);
  if (!ground.ok) return ground;
  const profile = await readProfile(context, profileId);
  return profile ? done(situationOf(ground.value, profile)) : refuse("no-profile");
}

export const situationOf = (ground: Ground, profile: Profile): Situation => ({
  ...ground,
  profile,
  roster: makeRoster(ground.game.definition, profile, ground.stock),
});

/** The profile as it is stored; its orders are read only if they are not known at this version. */
export async function readProfile(
  context: Pick<Context, "db" | "orders">,
  profileId: ProfileId,
): Promise<Profile | null> {
  const profile = await context.db.transaction((tx) => findProfileKnown(context, tx, profileId));
  if (profile) rememberOrders(context, profile.id, profile.version, profile.state);
  return profile;
}

/** The same within a transaction. */
export const findProfileKnown = (
  { orders }: Pick<Context, "orders">,
  tx: Tx,
  profileId: ProfileId,
): Promise<Profile | null> => findProfile(tx, profileId, orders.get(profileId));

/** To be called with what is stored for good, not within a transaction that may yet fail. */
export function rememberOrders(
  { orders }: Pick<Context, "orders">,
  profileId: ProfileId,
  version: number,
  { mods, plugins }: ProfileState,
): void {
  orders.set(profileId, { version, mods, plugins });
}

/** The game that is worked on, by the profile that the window has, if that is still there. */
export async function currentGame({ db, at }: Pick<Context, "db" | "at">): Promise<Outcome<RegisteredGame>> {
  const own = at && (await findGameOf(db, at));
  if (own) return done({ ...own, profileId: at });
  const game = (at && (await findGameOfBinned(db, at))) ?? (await findCurrentGame(db));
  return game ? done(game) : refuse("no-game");
}
