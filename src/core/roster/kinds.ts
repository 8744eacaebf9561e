import type { Counting, LoadRank } from "../model/game";
import type { SeatedItem } from "./roster";

/** Of what kind an item is: a plugin by its load rank and the class that it counts in; mods are all of one kind. */
export const kindsOf = (item: SeatedItem): (LoadRank | Counting)[] =>
  item.list === "mods" ? [] : [item.rank, ...(item.counting ? [item.counting] : [])];
