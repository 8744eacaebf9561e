import { refuse, type Outcome } from "@/core/model/outcome";
import type { actions, reads } from "@/server/actions";
import { windowHeaders } from "./address";

type Acts = typeof actions;
/** Of those without optional arguments: JSON knows nothing that is not there among values. */
type Name = {
  [Each in keyof Acts]: Parameters<Acts[Each]> extends Required<Parameters<Acts[Each]>> ? Each : never;
}[keyof Acts];

/** The refusal that stands for a server which does not answer. */
export const unreachable = (error: unknown) =>
  refuse("unreachable", { detail: error instanceof Error ? error.message : String(error) });

/** What is no longer still arrives where the window is closed meanwhile; browsers let 64 KiB in all be on its way then. */
const mostKeptAlive = 16_000;

type Act<Each extends Name> = (...args: Parameters<Acts[Each]>) => ReturnType<Acts[Each]>;
type Read = Extract<(typeof reads)[number], Name>;

/**
 * An act of the server, which answers with a refusal, instead of throwing, where it cannot be reached. It is a call of its own
 * and nothing of the router's: that would forget what it has read of every view at each edit, and now and then load the page anew.
 */
const reach =
  <Each extends Exclude<Name, Read>>(name: Each): Act<Each> =>
  (...args) => {
    const body = JSON.stringify(args);
    return answerOf<Each>(
      fetch(`/api/act/${name}`, {
        method: "POST",
        headers: { ...windowHeaders(), "content-type": "application/json" },
        body,
        keepalive: body.length <= mostKeptAlive,
      }),
    );
  };

/** The same of one that changes nothing. */
const read =
  <Each extends Read>(name: Each): Act<Each> =>
  (...args) =>
    answerOf<Each>(
      fetch(`/api/act/${name}?${new URLSearchParams({ args: JSON.stringify(args) })}`, {
        headers: windowHeaders(),
      }),
    );

const answerOf = <Each extends Name>(response: Promise<Response>): ReturnType<Acts[Each]> =>
  // What an act of this name answers with is known by its name only.
  response.then((answer) => answer.json() as Promise<Outcome<unknown>>).catch(unreachable) as ReturnType<
    Acts[Each]
  >;

export const editProfile = reach("editProfile");
export const noteFindings = reach("noteFindings");
export const undoOrRedo = reach("undoOrRedo");
export const readProfile = read("readProfile");
export const readJournal = read("readJournal");
export const goToEdit = reach("goToEdit");
export const createProfile = reach("createProfile");
export const changeProfileFacts = reach("changeProfileFacts");
export const chooseProfileOfGame = reach("chooseProfileOfGame");
export const readProfiles = read("readProfiles");
export const switchProfile = reach("switchProfile");
export const readStateOf = read("readStateOf");
export const deleteProfile = reach("deleteProfile");
export const bringBackProfile = reach("bringBackProfile");
export const nameRestorePoint = reach("nameRestorePoint");
export const changesSincePoint = read("changesSincePoint");
export const goBack = reach("goBack");
export const buildBlend = reach("buildBlend");
export const readBlendReports = read("readBlendReports");
export const switchGame = reach("switchGame");
export const addGame = reach("addGame");
export const changeDefinition = reach("changeDefinition");
export const listShipped = read("listShipped");
export const changeFolders = reach("changeFolders");
export const reportFolder = read("reportFolder");
export const previewLayout = read("previewLayout");
export const previewTakingBack = read("previewTakingBack");
export const readDrift = read("readDrift");
export const readSettingsNow = read("readSettingsNow");
export const readWays = read("readWays");
export const readKeptFiles = read("readKeptFiles");
export const keepOwnFile = reach("keepOwnFile");
export const readStartNotes = read("readStartNotes");
export const tickCondition = reach("tickCondition");
export const confirmWay = reach("confirmWay");
export const saveOwnWay = reach("saveOwnWay");
export const removeOwnWay = reach("removeOwnWay");
export const readLiveTrial = read("readLiveTrial");
export const judgeTrial = reach("judgeTrial");
export const acceptFiles = reach("acceptFiles");
export const setFilesAside = reach("setFilesAside");
export const gatherFiles = reach("gatherFiles");
export const cancelLayout = reach("cancelLayout");
export const lookAtOrder = read("lookAtOrder");
export const takeOverOrder = reach("takeOverOrder");
export const listCopies = read("listCopies");
export const putCopyBack = reach("putCopyBack");
export const readOrderOnDisk = read("readOrderOnDisk");
export const findRulebooks = read("findRulebooks");
export const storeRulebook = reach("storeRulebook");
export const readCatalogue = read("readCatalogue");
export const readDepot = read("readDepot");
export const getFromDepot = reach("getFromDepot");
export const actOnDepot = reach("actOnDepot");
export const emptyQueue = reach("emptyQueue");
export const readSheet = read("readSheet");
export const saveSheet = reach("saveSheet");
export const publishVersion = reach("publishVersion");
export const listVersions = read("listVersions");
export const acceptImport = reach("acceptImport");
export const findFollowers = read("findFollowers");
export const readCuratorsWords = read("readCuratorsWords");
export const fetchPage = read("fetchPage");
export const readFileContents = read("readFileContents");
export const filesOfMod = read("filesOfMod");
export const dropFromShelf = reach("dropFromShelf");
export const bringBackMods = reach("bringBackMods");
export const deleteMods = reach("deleteMods");
export const tagMods = reach("tagMods");
export const compareContents = read("compareContents");
export const identify = reach("identify");
export const markOwnWork = reach("markOwnWork");
export const takeIn = reach("takeIn");
export const leaveIncoming = reach("leaveIncoming");
export const openChooser = reach("openChooser");
export const closeChooser = reach("closeChooser");
export const listFolders = reach("listFolders");
export const setPreference = reach("setPreference");
export const listKeptData = read("listKeptData");
export const lookAtKept = read("lookAtKept");
export const removeGame = reach("removeGame");
export const replaceData = reach("replaceData");
export const leaveData = reach("leaveData");
