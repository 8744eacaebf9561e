import { GameDefinition } from "@/core/model/game";
import definition from "./definition.json";

/** The deep-sea salvage game of the demo, as data. */
export const brinehollow: GameDefinition = GameDefinition.parse(definition);
