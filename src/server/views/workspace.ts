import "server-only";
import { connection } from "next/server";
import type { OnDisk } from "@/core/check/check";
import type { GameDefinition } from "@/core/model/game";
import type { Profile } from "@/core/model/profile";
import type { Stock } from "@/core/profile/roster";
import { readOnDisk } from "@/disk/write-order";
import { games } from "@/standin/games";
import { findCurrentGame, listGames, type RegisteredGame } from "@/store/games";
import { readHistory, type History } from "@/store/journal";
import { listImports } from "@/store/lineup-imports";
import { listProfiles, listUsage } from "@/store/profiles";
import { listRestorePoints } from "@/store/restore-points";
import { getContext } from "../context";
import { readProfile } from "../operations/situation";
import { getStock } from "../stock";

export interface ProfileListed {
  readonly id: string;
  readonly name: string;
  readonly purpose: Profile["purpose"];
  readonly modsOn: number;
  readonly deleted: boolean;
}

export interface GameListed {
  readonly id: string;
  readonly name: string;
  readonly version: string;
}

export interface RestorePointListed {
  readonly id: string;
  readonly name: string;
  /** ISO 8601. */
  readonly at: string;
}

export interface ImportListed {
  readonly id: string;
  readonly fileName: string;
  readonly title: string;
  readonly fingerprint: string;
  readonly profileName: string;
  readonly at: string;
}

/** Everything that the frame and its views show of the game that is worked on. */
export interface WorkspaceView {
  readonly game: GameDefinition;
  readonly gameFolder: string;
  readonly shelfFolder: string;
  readonly stock: Stock;
  readonly onDisk: OnDisk;
  readonly profile: Profile;
  /** All that are registered, the present one among them. */
  readonly games: readonly GameListed[];
  /** Those that ship and are not registered yet. */
  readonly otherGames: StartView["games"];
  readonly profiles: readonly ProfileListed[];
  /** Which other profiles hold a mod, by its id. */
  readonly usage: readonly { readonly id: string; readonly profiles: readonly string[] }[];
  readonly history: History;
  readonly restorePoints: readonly RestorePointListed[];
  readonly imports: readonly ImportListed[];
}

/** What can be chosen where no game is registered yet. */
export interface StartView {
  readonly games: readonly GameListed[];
}

/** The workspace of the present game; what to start from where there is none. */
export async function viewWorkspace(): Promise<WorkspaceView | StartView> {
  await connection();
  const context = await getContext();
  const { db } = context;
  const game = await findCurrentGame(db);
  const profile = game?.profileId ? await readProfile(context, db, game.profileId) : null;
  if (!game || !profile) return { games: games.map(listed) };
  return viewGame(game, profile);
}

const listed = ({ id, name, version }: GameDefinition): GameListed => ({ id, name, version });

async function viewGame(game: RegisteredGame, profile: Profile): Promise<WorkspaceView> {
  const context = await getContext();
  const { db } = context;
  const { definition, gameFolder, shelfFolder } = game;
  const registered = await listGames(db);
  const [profiles, points, imports] = [
    await listProfiles(db, game.id),
    await listRestorePoints(db, profile.id),
    await listImports(db, game.id),
  ];
  return {
    game: definition,
    gameFolder,
    shelfFolder,
    stock: await getStock(context, game),
    onDisk: await readOnDisk(definition, gameFolder, shelfFolder),
    profile,
    games: registered.map((each) => listed(each.definition)),
    otherGames: games.filter((each) => registered.every(({ id }) => id !== each.id)).map(listed),
    profiles: profiles.map(({ deletedAt, ...rest }) => ({ ...rest, deleted: deletedAt !== null })),
    usage: await listUsage(db, game.id, profile.id),
    history: await readHistory(db, profile.id),
    restorePoints: points.map((point) => ({ ...point, at: point.at.toISOString() })),
    imports: imports.map(({ id, fileName, title, fingerprint, profileName, at }) => ({
      id,
      fileName,
      title,
      fingerprint,
      profileName,
      at: at.toISOString(),
    })),
  };
}
