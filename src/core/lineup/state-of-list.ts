import { proposeOrder } from "../edit/accept";
import type { Claim } from "../model/claim";
import type { GameDefinition } from "../model/game";
import { ProfileId } from "../model/ids";
import type { Lineup } from "../model/lineup";
import type { Profile, ProfileState } from "../model/profile";
import { makeRoster, type Roster, type Stock } from "../roster/roster";
import { stateFromLineup } from "./match";

/** A list that came in, as far as a state is made of it. */
interface ListOfNames {
  readonly lineup: Lineup;
  readonly claim: Pick<Claim, "unsaid">;
}

/** What a profile decides that is made of the list alone, as far as this shelf allows; `mine`: mods of which the version here is kept. */
export function stateOfList(
  game: GameDefinition,
  { lineup, claim }: ListOfNames,
  stock: Stock,
  mine?: ReadonlySet<string>,
): ProfileState {
  const state = stateFromLineup(game, lineup, stock, mine);
  return claim.unsaid.includes("plugins") ? withPluginsTied(game, state, stock) : state;
}

/** The same with all that it means here. */
export function rosterOfList(game: GameDefinition, list: ListOfNames, stock: Stock): Roster {
  return makeRoster(game, profileOf(game, stateOfList(game, list, stock)), stock);
}

/** Of plugins that nobody has put in an order, their ties make one: how their files are called is none. */
function withPluginsTied(game: GameDefinition, state: ProfileState, stock: Stock): ProfileState {
  if (!game.lists.includes("plugins")) return state;
  const { entries } = proposeOrder(makeRoster(game, profileOf(game, state), stock), "plugins");
  return { ...state, plugins: { ...state.plugins, entries: [...entries] as typeof state.plugins.entries } };
}

const profileOf = (game: GameDefinition, state: ProfileState): Profile => ({
  id: ProfileId.parse("list"),
  game: game.id,
  name: "",
  purpose: "play",
  version: 0,
  state,
});
