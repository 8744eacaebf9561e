import "server-only";
import { z } from "zod";
import type { OnDisk } from "@/core/check/check";
import type { Drift } from "@/core/layout/drift";
import type { LayoutPreview } from "@/core/layout/preview";
import type { GameDefinition } from "@/core/model/game";
import { done, type Outcome } from "@/core/model/outcome";
import type { GameFolders } from "@/core/model/game";
import { ProfileId } from "@/core/model/ids";
import type { FoundBooks } from "@/core/model/found-books";
import * as rulebooks from "../operations/rulebooks";
import { guard } from "../action";
import { incomingFolder } from "../context";
import { windowContext } from "../window";
import type { Stored } from "../operations/edit-profile";
import * as choosing from "../operations/choose-folder";
import * as folders from "../operations/folders";
import type { FolderReport } from "../operations/folders";
import * as games from "../operations/games";
import * as gather from "../operations/gather";
import * as layout from "../operations/layout";
import * as settings from "../operations/settings";
import * as orderFile from "../operations/order-file";

const path = z.string().min(1).max(4000);
const Folders = z.strictObject({
  game: path,
  order: z.string().max(4000),
  shelves: z.array(path).min(1).max(20),
});
const NewGame = z.strictObject({
  game: z.union([z.string(), z.strictObject({ own: z.unknown() })]),
  folders: Folders,
});

export const addGame = async (wanted: games.NewGame): Promise<Outcome<null>> =>
  guard(async () => games.addGame(await windowContext(), NewGame.parse(wanted)));

/** The definitions that come with Seating. */
export const listShipped = async (): Promise<Outcome<readonly GameDefinition[]>> =>
  guard(() => Promise.resolve(done(games.shipped)));

export const changeDefinition = async (definition: GameDefinition): Promise<Outcome<null>> =>
  guard(async () => games.changeDefinition(await windowContext(), definition));

export const changeFolders = async (folders: GameFolders): Promise<Outcome<null>> =>
  guard(async () => games.changeFolders(await windowContext(), Folders.parse(folders)));

/** What lies at a path that is being typed; `sign` is the file by which a game is known. */
export const reportFolder = async (folder: string, sign: string | null): Promise<Outcome<FolderReport>> =>
  guard(async () =>
    done(
      await folders.reportFolder(
        path.parse(folder),
        z.string().max(500).nullable().parse(sign),
        await games.knownGames(await windowContext()),
      ),
    ),
  );

export const openChooser = async (): Promise<Outcome<string>> =>
  guard(async () => choosing.openChooser(await windowContext()));

export const closeChooser = async (id: string): Promise<Outcome<null>> =>
  guard(async () => choosing.closeChooser(await windowContext(), z.guid().parse(id)));

export const listFolders = async (id: string, typed: string): Promise<Outcome<choosing.FolderListing>> =>
  guard(async () =>
    choosing.listFolders(await windowContext(), z.guid().parse(id), z.string().max(4000).parse(typed)),
  );

export const switchGame = async (id: string): Promise<Outcome<ProfileId | null>> =>
  guard(async () => games.switchGame(await windowContext(), z.string().parse(id)));

export const chooseProfileOfGame = async (
  profileId: ProfileId,
  name: string | null,
): Promise<Outcome<OnDisk>> =>
  guard(async () =>
    orderFile.chooseProfileOfGame(
      await windowContext(),
      ProfileId.parse(profileId),
      z.string().max(200).nullable().parse(name),
    ),
  );

/** What laying a profile out would do. */
export const previewLayout = async (profileId: ProfileId): Promise<Outcome<LayoutPreview>> =>
  guard(async () => layout.previewLayout(await windowContext(), ProfileId.parse(profileId)));

export const previewTakingBack = async (): Promise<Outcome<LayoutPreview>> =>
  guard(async () => layout.previewTakingBack(await windowContext()));

/** What stands in the game's files of settings at the places of which something is wanted. */
export const readSettingsNow = async (profileId: ProfileId): Promise<Outcome<settings.SettingNow[]>> =>
  guard(async () => settings.readSettingsNow(await windowContext(), ProfileId.parse(profileId)));

/** What in the present game's folder is not as Seating left it. */
export const readDrift = async (): Promise<Outcome<Drift>> =>
  guard(async () => layout.readDrift(await windowContext()));

const places = z.array(z.string().min(1).max(4000)).max(100_000);

export const acceptFiles = async (paths: string[], isBare: boolean): Promise<Outcome<null>> =>
  guard(async () =>
    layout.acceptFiles(await windowContext(), places.parse(paths), z.boolean().parse(isBare)),
  );

export const setFilesAside = async (paths: string[]): Promise<Outcome<null>> =>
  guard(async () => layout.setFilesAside(await windowContext(), places.parse(paths)));

/** Makes a mod of one's own of files in the game's folder. */
export const gatherFiles = async (
  profileId: ProfileId,
  version: number,
  paths: string[],
  name: string,
): Promise<Outcome<Stored>> =>
  guard(async () =>
    gather.gatherFiles(
      await windowContext(),
      incomingFolder(),
      ProfileId.parse(profileId),
      z.number().int().parse(version),
      { paths: places.min(1).parse(paths), name: z.string().trim().min(1).max(60).parse(name) },
    ),
  );

/** Cancels what is laid out just now, if anything is: it ends as it does. */
export const cancelLayout = async (): Promise<Outcome<null>> =>
  guard(async () => layout.cancelLayout(await windowContext()));

export const lookAtOrder = async (profileId: ProfileId): Promise<Outcome<orderFile.TheirOrder>> =>
  guard(async () => orderFile.lookAtOrder(await windowContext(), ProfileId.parse(profileId)));

export const takeOverOrder = async (profileId: ProfileId, base: number): Promise<Outcome<Stored>> =>
  guard(async () =>
    orderFile.takeOverOrder(await windowContext(), ProfileId.parse(profileId), z.number().int().parse(base)),
  );

export const listCopies = async (): Promise<Outcome<orderFile.CopyListed[]>> =>
  guard(async () => orderFile.listCopies(await windowContext()));

export const putCopyBack = async (copy: string): Promise<Outcome<OnDisk>> =>
  guard(async () => orderFile.putCopyBack(await windowContext(), z.guid().parse(copy)));

export const readOrderOnDisk = async (): Promise<Outcome<OnDisk>> =>
  guard(async () => orderFile.readOrderOnDisk(await windowContext()));

export const findRulebooks = async (): Promise<Outcome<FoundBooks>> =>
  guard(async () => rulebooks.findRulebooks(await windowContext()));

export const storeRulebook = async (text: string, name: string): Promise<Outcome<null>> =>
  guard(async () =>
    rulebooks.storeRulebook(
      await windowContext(),
      z.string().max(20_000_000).parse(text),
      z.string().max(300).parse(name),
    ),
  );
