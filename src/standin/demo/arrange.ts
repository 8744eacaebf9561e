import { makeRoster, newestById, type Roster, type Stock } from "@/core/roster/roster";
import { addAbsentMods, addAbsentPlugins, emptyState } from "@/core/edit/arrivals";
import { proposeOrder } from "@/core/edit/accept";
import type { GameDefinition } from "@/core/model/game";
import type { Choice, ListName, Order, ProfileFacts, ProfileState, Rule } from "@/core/model/profile";

/** A profile of the demo as it is written to `demo.json` and taken up by the server. */
export interface DemoProfile extends ProfileFacts {
  readonly state: ProfileState;
}

/** Adds the mods to an empty profile, all on, and accepts the order that is proposed. */
export function arrange(
  game: GameDefinition,
  stock: Stock,
  ids: readonly string[],
  own: readonly Rule[],
  choices: readonly Choice[] = [],
): ProfileState {
  const shelf = newestById(stock.shelf);
  const mods = ids.map((id) => shelf.get(id)!);
  const bare = emptyState(game, stock.owned);
  const listed = addAbsentMods({ ...bare, rules: [...own], choices: [...choices] }, mods, true);
  const state = addAbsentPlugins(game, listed, mods, true);
  const accepted = (list: ListName): Order => {
    const { entries } = proposeOrder(rosterOf(game, stock, state), list);
    return { ...state[list], entries: [...entries] };
  };
  return { ...state, mods: accepted("mods"), plugins: accepted("plugins") };
}

function rosterOf(game: GameDefinition, stock: Stock, state: ProfileState): Roster {
  const profile = { id: "demo", game: game.id, name: "Demo", purpose: "play" as const, version: 1, state };
  return makeRoster(game, profile, stock);
}
