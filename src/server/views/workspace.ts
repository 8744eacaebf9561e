import "server-only";
import { connection } from "next/server";
import type { OnDisk } from "@/core/check/check";
import type { GameDefinition, GameFolders } from "@/core/model/game";
import type { Stock } from "@/core/roster/roster";
import { games } from "@/standin/games";
import { findCurrentGame, listGames, type RegisteredGame } from "@/store/games";
import { listBin, type BinnedMod } from "@/store/bin";
import { listImports } from "@/store/lineup-imports";
import { readPreferences } from "@/store/preferences";
import { listStartFiles } from "../operations/games";
import { readOnDisk } from "../operations/order-file";
import { getContext, type Context } from "../context";
import { getStock } from "../stock";
import { viewProfile, viewProfiles, type ProfilesView, type ProfileView } from "./profile";

export interface GameListed {
  readonly id: string;
  readonly name: string;
  readonly version: string;
  /** A file below its folder by which that folder is known. */
  readonly sign: string;
}

interface ImportListed {
  readonly id: string;
  readonly fileName: string;
  readonly title: string;
  readonly fingerprint: string | null;
  readonly profileName: string;
  readonly at: string;
}

/** Everything that the frame and its views show of the game that is worked on. */
export interface WorkspaceView extends ProfileView, ProfilesView {
  readonly game: GameDefinition;
  readonly folders: GameFolders;
  /** Its user wrote or changed the definition. */
  readonly ownDefinition: boolean;
  readonly stock: Stock;
  /** Its shelf has not been read yet. */
  readonly neverRead: boolean;
  readonly onDisk: OnDisk;
  /** All that are registered, the present one among them. */
  readonly games: readonly GameListed[];
  /** Those that ship and are not registered yet. */
  readonly otherGames: StartView["games"];
  /** What its user has set for the game, by key. */
  readonly preferences: Readonly<Record<string, unknown>>;
  /** Names of the files that a launch setting can name, by its id. */
  readonly startFiles: Readonly<Record<string, readonly string[]>>;
  readonly imports: readonly ImportListed[];
  /** Mods that were dropped from the shelf, the last one first. */
  readonly bin: readonly BinnedMod[];
}

/** What can be chosen where no game is registered yet. */
export interface StartView {
  readonly games: readonly GameListed[];
}

/** The workspace of the present game; what to start from where there is none. */
export async function viewWorkspace(): Promise<WorkspaceView | StartView> {
  await connection();
  const context = await getContext();
  const game = await findCurrentGame(context.db);
  const profile = game?.profileId ? await viewProfile(context, game.profileId) : null;
  if (!game || !profile) return { games: games.map(listed) };
  return viewGame(context, game, profile);
}

const listed = ({ id, name, version, sign }: GameDefinition): GameListed => ({ id, name, version, sign });

async function viewGame(
  context: Context,
  game: RegisteredGame,
  profile: ProfileView,
): Promise<WorkspaceView> {
  const { db } = context;
  const { definition, folders } = game;
  const registered = await listGames(db);
  const imports = await listImports(db, game.id);
  return {
    ...profile,
    ...(await viewProfiles(context, game.id)),
    game: definition,
    folders,
    ownDefinition: game.own,
    stock: await getStock(context, game),
    neverRead: game.readAt === null,
    onDisk: await readOnDisk(context, game),
    games: registered.map((each) => listed(each.definition)),
    otherGames: games.filter((each) => registered.every(({ id }) => id !== each.id)).map(listed),
    preferences: await readPreferences(db, game.id),
    startFiles: await listStartFiles(game),
    bin: await listBin(db, game.id),
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
