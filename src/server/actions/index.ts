import "server-only";
import * as blend from "./blend";
import * as data from "./data";
import * as depot from "./depot";
import * as game from "./game";
import * as lineups from "./lineups";
import * as profile from "./profile";
import * as shelf from "./shelf";
import * as start from "./start";

/** Everything that the interface can ask the server to do, by name. All arguments and answers are values of JSON. */
export const actions = { ...blend, ...data, ...depot, ...game, ...lineups, ...profile, ...shelf, ...start };

/** Those that change nothing and are asked for by GET, so that what has not changed since need not be sent again. */
export const reads = [
  "changesSincePoint",
  "compareContents",
  "fetchPage",
  "filesOfMod",
  "findFollowers",
  "findRulebooks",
  "listCopies",
  "listKeptData",
  "listShipped",
  "listVersions",
  "lookAtKept",
  "lookAtOrder",
  "previewLayout",
  "previewTakingBack",
  "readBlendReports",
  "readCatalogue",
  "readCuratorsWords",
  "readDepot",
  "readDrift",
  "readKeptFiles",
  "readLiveTrial",
  "readWays",
  "readStartNotes",
  "readFileContents",
  "readOrderOnDisk",
  "readProfile",
  "readProfiles",
  "readSettingsNow",
  "readJournal",
  "readSheet",
  "readStateOf",
  "reportFindings",
  "reportFolder",
] as const satisfies readonly (keyof typeof actions)[];
