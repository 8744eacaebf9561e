import "server-only";
import * as depot from "./depot";
import * as game from "./game";
import * as lineups from "./lineups";
import * as profile from "./profile";
import * as shelf from "./shelf";

/** Everything that the interface can ask the server to do, by name. All arguments and answers are values of JSON. */
export const actions = { ...depot, ...game, ...lineups, ...profile, ...shelf };
