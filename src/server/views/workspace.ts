import "server-only";
import type { OnDisk } from "@/core/check/check";
import type { GameDefinition, GameFolders } from "@/core/model/game";
import { games } from "@/standin/games";
import { listGames, type RegisteredGame } from "@/store/games";
import { listBin, type BinnedMod } from "@/store/bin";
import { listImports } from "@/store/lineup-imports";
import { readPreferences } from "@/store/preferences";
import { listStartFiles } from "../operations/games";
import { readOnDisk } from "../operations/order-file";
import { currentGame } from "../operations/situation";
import { home } from "@/disk/places";
import type { Context } from "../context";
import { holdStock } from "../stock";
import { readToken } from "../token";
import { windowContext } from "../window";
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

/** Everything that the frame and its views show of the game that is worked on, but for what lies on the disk. */
export interface WorkspaceView extends ProfileView, ProfilesView {
  /** To be said with large reads. */
  readonly token: string;
  /** The moment (`Events.at`) that all of this is not older than. */
  readonly at: string;
  readonly game: GameDefinition;
  readonly folders: GameFolders;
  /** Its user wrote or changed the definition. */
  readonly ownDefinition: boolean;
  /** Of what lies on the disk, which `api/stock` answers. */
  readonly stockRevision: string;
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

/** The workspace of the profile that the window has; what to start from where there is no game. */
export async function viewWorkspace(): Promise<WorkspaceView | StartView> {
  const context = await windowContext();
  // Before anything is read: of what happens meanwhile a window is told.
  const { at } = context.events;
  const game = await currentGame(context);
  const profile = game.ok && game.value.profileId ? await viewProfile(context, game.value.profileId) : null;
  if (!game.ok || !profile) return { games: games.map(listed) };
  return { at, ...(await viewGame(context, game.value, profile)) };
}

const listed = ({ id, name, version, sign }: GameDefinition): GameListed => ({ id, name, version, sign });

async function viewGame(
  context: Context,
  game: RegisteredGame,
  profile: ProfileView,
): Promise<Omit<WorkspaceView, "at">> {
  const { db } = context;
  const { definition, folders } = game;
  const registered = await listGames(db);
  const imports = await listImports(db, game.id);
  return {
    ...profile,
    token: readToken(home()),
    ...(await viewProfiles(context, game.id)),
    game: definition,
    folders,
    ownDefinition: game.own,
    stockRevision: (await holdStock(context, game)).revision,
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
