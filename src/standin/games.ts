import type { GameDefinition } from "@/core/model/game";
import { brinehollow } from "./brinehollow/definition";
import { millwright } from "./millwright/definition";
import { kitefall } from "./kitefall/definition";

/** The game definitions that ship. */
export const games: readonly GameDefinition[] = [brinehollow, kitefall, millwright];
