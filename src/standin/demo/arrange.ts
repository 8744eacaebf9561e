import { makeRoster, newestById, type Roster, type Stock } from "@/core/roster/roster";
import { addAbsentMods, addAbsentPlugins, emptyState } from "@/core/edit/arrivals";
import { proposeOrder } from "@/core/edit/accept";
import type { GameDefinition } from "@/core/model/game";
import { ProfileId } from "@/core/model/ids";
import type { Choice, ListName, Profile, ProfileFacts, ProfileState, Rule } from "@/core/model/profile";

/** A profile of the demo as it is written to `demo.json` and taken up by the server. */
export interface DemoProfile extends ProfileFacts {
  /** Which of its game's own profiles it is for. */
  readonly ofGame?: string;
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
  const accepted = <List extends ListName>(list: List) => {
    const { entries } = proposeOrder(rosterOf(game, stock, state), list);
    return { ...state[list], entries: [...entries] } as ProfileState[List];
  };
  return { ...state, mods: accepted("mods"), plugins: accepted("plugins") };
}

/** A state as a profile of the game, to be asked of as one. */
export const demoProfile = (game: GameDefinition, state: ProfileState): Profile => ({
  id: ProfileId.parse("demo"),
  game: game.id,
  name: "Demo",
  purpose: "play",
  version: 1,
  state,
});

function rosterOf(game: GameDefinition, stock: Stock, state: ProfileState): Roster {
  return makeRoster(game, demoProfile(game, state), stock);
}
