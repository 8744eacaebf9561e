import { GameDefinition } from "@/core/model/game";
import definition from "./definition.json";

/** The watermill-building game of the demo: packages of many components, expansions, launch settings, and almost no ties. */
export const millwright: GameDefinition = GameDefinition.parse(definition);
