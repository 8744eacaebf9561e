import { GameDefinition } from "@/core/model/game";
import definition from "./definition.json";

/** The stunt-kite sandbox of the demo: mods only, whose loose files meet a lot. */
export const kitefall: GameDefinition = GameDefinition.parse(definition);
