import type { Step } from "../model/edit";
import { makeRoster, type Roster } from "../roster/roster";
import { stateAfter } from "./steps";

/** What a profile would be after steps of which it is known that none is refused. */
export function rosterAfter(roster: Roster, steps: readonly Step[]): Roster {
  const state = stateAfter(roster.profile.state, { steps: [...steps] });
  if (!state) throw new Error("a step that cannot be refused was");
  return makeRoster(roster.game, { ...roster.profile, state }, roster.stock, roster);
}
