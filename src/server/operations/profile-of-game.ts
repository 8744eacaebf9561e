import "server-only";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { ProfileOfGame } from "@/core/model/profile-of-game";
import { foldersFor, readProfilesOfGame } from "@/disk/profiles-of-game";
import type { RegisteredGame } from "@/store/games";

export const profileOfGame = ({
  definition,
  folders,
  ofGame,
}: RegisteredGame): Promise<ProfileOfGame | undefined> => readProfilesOfGame(definition, folders, ofGame);

/** The game with the folder of the profile of its own that is meant; refused where none is. It is not to be stored so. */
export async function asMeant(game: RegisteredGame): Promise<Outcome<RegisteredGame>> {
  const found = await profileOfGame(game);
  if (!found) return done(game);
  if (found.meant !== null)
    return done({ ...game, folders: foldersFor(game.definition, game.folders, found.meant) });
  return noneMeant(game, found);
}

export const noneMeant = (
  { definition }: RegisteredGame,
  { names, chosen }: Pick<ProfileOfGame, "names" | "chosen">,
): Outcome<never> => refuse("profile-of-game", { game: definition.name, names: names.join(", "), chosen });
