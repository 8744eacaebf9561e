import { refuse, type Outcome } from "@/core/model/outcome";
import * as depot from "@/server/actions/depot";
import * as game from "@/server/actions/game";
import * as lineups from "@/server/actions/lineups";
import * as profile from "@/server/actions/profile";
import * as shelf from "@/server/actions/shelf";

/** The refusal that stands for a server which does not answer. */
export const unreachable = (error: unknown) =>
  refuse("unreachable", { detail: error instanceof Error ? error.message : String(error) });

/** An action that answers with a refusal, instead of throwing, where the server cannot be reached. */
const reach =
  <A extends unknown[], T>(action: (...args: A) => Promise<Outcome<T>>) =>
  (...args: A): Promise<Outcome<T>> =>
    action(...args).catch(unreachable);

export const editProfile = reach(profile.editProfile);
export const undoOrRedo = reach(profile.undoOrRedo);
export const readProfile = reach(profile.readProfile);
export const createProfile = reach(profile.createProfile);
export const changeProfileFacts = reach(profile.changeProfileFacts);
export const readProfiles = reach(profile.readProfiles);
export const switchProfile = reach(profile.switchProfile);
export const readStateOf = reach(profile.readStateOf);
export const deleteProfile = reach(profile.deleteProfile);
export const bringBackProfile = reach(profile.bringBackProfile);
export const nameRestorePoint = reach(profile.nameRestorePoint);
export const changesSincePoint = reach(profile.changesSincePoint);
export const goBack = reach(profile.goBack);
export const switchGame = reach(game.switchGame);
export const addGame = reach(game.addGame);
export const changeDefinition = reach(game.changeDefinition);
export const listShipped = reach(game.listShipped);
export const changeFolders = reach(game.changeFolders);
export const reportFolder = reach(game.reportFolder);
export const writeOrder = reach(game.writeOrder);
export const readOrderOnDisk = reach(game.readOrderOnDisk);
export const storeRulebook = reach(game.storeRulebook);
export const readCatalogue = reach(depot.readCatalogue);
export const readDepot = reach(depot.readDepot);
export const getFromDepot = reach(depot.getFromDepot);
export const actOnDepot = reach(depot.actOnDepot);
export const emptyQueue = reach(depot.emptyQueue);
export const readSheet = reach(lineups.readSheet);
export const saveSheet = reach(lineups.saveSheet);
export const publishVersion = reach(lineups.publishVersion);
export const listVersions = reach(lineups.listVersions);
export const acceptImport = reach(lineups.acceptImport);
export const findFollowers = reach(lineups.findFollowers);
export const readCuratorsWords = reach(lineups.readCuratorsWords);
export const fetchPage = reach(lineups.fetchPage);
export const filesOfMod = reach(shelf.filesOfMod);
export const dropFromShelf = reach(shelf.dropFromShelf);
export const bringBackMods = reach(shelf.bringBackMods);
export const deleteMods = reach(shelf.deleteMods);
export const tagMods = reach(shelf.tagMods);
export const compareContents = reach(shelf.compareContents);
export const identify = reach(shelf.identify);
export const markOwnWork = reach(shelf.markOwnWork);
export const takeIn = reach(shelf.takeIn);
export const leaveIncoming = reach(shelf.leaveIncoming);
export const setPreference = reach(shelf.setPreference);
