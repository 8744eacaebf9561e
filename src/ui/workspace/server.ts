import { refuse, type Outcome } from "@/core/model/outcome";
import type { actions } from "@/server/actions";
import { windowHeaders } from "./address";

type Acts = typeof actions;
/** Of those without optional arguments: JSON knows nothing that is not there among values. */
type Name = {
  [Each in keyof Acts]: Parameters<Acts[Each]> extends Required<Parameters<Acts[Each]>> ? Each : never;
}[keyof Acts];

/** The refusal that stands for a server which does not answer. */
export const unreachable = (error: unknown) =>
  refuse("unreachable", { detail: error instanceof Error ? error.message : String(error) });

/**
 * An act of the server, which answers with a refusal, instead of throwing, where it cannot be reached. It is a call of its own
 * and nothing of the router's: that would forget what it has read of every view at each edit, and now and then load the page anew.
 */
const reach =
  <Act extends Name>(name: Act) =>
  (...args: Parameters<Acts[Act]>): ReturnType<Acts[Act]> =>
    fetch(`/api/act/${name}`, {
      method: "POST",
      headers: { ...windowHeaders(), "content-type": "application/json" },
      body: JSON.stringify(args),
    })
      .then((response) => response.json() as Promise<Outcome<unknown>>)
      // What an act of this name answers with is known by its name only.
      .catch(unreachable) as ReturnType<Acts[Act]>;

export const editProfile = reach("editProfile");
export const undoOrRedo = reach("undoOrRedo");
export const readProfile = reach("readProfile");
export const createProfile = reach("createProfile");
export const changeProfileFacts = reach("changeProfileFacts");
export const readProfiles = reach("readProfiles");
export const switchProfile = reach("switchProfile");
export const readStateOf = reach("readStateOf");
export const deleteProfile = reach("deleteProfile");
export const bringBackProfile = reach("bringBackProfile");
export const nameRestorePoint = reach("nameRestorePoint");
export const changesSincePoint = reach("changesSincePoint");
export const goBack = reach("goBack");
export const switchGame = reach("switchGame");
export const addGame = reach("addGame");
export const changeDefinition = reach("changeDefinition");
export const listShipped = reach("listShipped");
export const changeFolders = reach("changeFolders");
export const reportFolder = reach("reportFolder");
export const writeOrder = reach("writeOrder");
export const lookAtOrder = reach("lookAtOrder");
export const takeOverOrder = reach("takeOverOrder");
export const listCopies = reach("listCopies");
export const putCopyBack = reach("putCopyBack");
export const readOrderOnDisk = reach("readOrderOnDisk");
export const storeRulebook = reach("storeRulebook");
export const readCatalogue = reach("readCatalogue");
export const readDepot = reach("readDepot");
export const getFromDepot = reach("getFromDepot");
export const actOnDepot = reach("actOnDepot");
export const emptyQueue = reach("emptyQueue");
export const readSheet = reach("readSheet");
export const saveSheet = reach("saveSheet");
export const publishVersion = reach("publishVersion");
export const listVersions = reach("listVersions");
export const acceptImport = reach("acceptImport");
export const findFollowers = reach("findFollowers");
export const readCuratorsWords = reach("readCuratorsWords");
export const fetchPage = reach("fetchPage");
export const filesOfMod = reach("filesOfMod");
export const dropFromShelf = reach("dropFromShelf");
export const bringBackMods = reach("bringBackMods");
export const deleteMods = reach("deleteMods");
export const tagMods = reach("tagMods");
export const compareContents = reach("compareContents");
export const identify = reach("identify");
export const markOwnWork = reach("markOwnWork");
export const takeIn = reach("takeIn");
export const leaveIncoming = reach("leaveIncoming");
export const setPreference = reach("setPreference");
