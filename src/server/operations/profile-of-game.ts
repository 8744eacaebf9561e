import "server-only";
import { done, type Outcome } from "@/core/model/outcome";
import type { ProfileOfGame } from "@/core/model/profile-of-game";
import { meantFolders, readProfilesOfGame, type MeantFolders } from "@/disk/profiles-of-game";
import type { RegisteredGame } from "@/store/games";

export const profileOfGame = ({
  definition,
  folders,
  ofGame,
}: RegisteredGame): Promise<ProfileOfGame | undefined> => readProfilesOfGame(definition, folders, ofGame);

/** A game with the folder of the profile of its own that is meant, in place of that which its user named: it is not to be stored so. */
export type MeantGame = RegisteredGame & Pick<MeantFolders, "profilesIn">;

/** Refused where none is meant. */
export async function asMeant(game: RegisteredGame): Promise<Outcome<MeantGame>> {
  const meant = await meantFolders(game.definition, game.folders, game.ofGame);
  return meant.ok ? done({ ...game, ...meant.value }) : meant;
}
