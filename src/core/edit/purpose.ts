import type { Edit } from "../model/edit";
import type { GameDefinition } from "../model/game";
import type { ProfileState } from "../model/profile";
import { againstPurpose, lawOfPurpose } from "../roster/purpose";
import type { Roster } from "../roster/roster";
import { emptyState } from "./arrivals";
import { baseItemEdit, expansionEdit, launchEdit } from "./settings";
import { label } from "./steps";

/** Makes a profile what its purpose asks for. Null where it is. */
export function purposeEdit(roster: Roster): Edit | null {
  const { expansions, baseItems, launch } = againstPurpose(roster);
  const edits = [
    ...expansions.map(({ id }) => expansionEdit(roster, id, false)),
    ...baseItems.map(({ id }) => baseItemEdit(roster, id, false)),
    ...launch.map(({ setting, wanted }) => launchEdit(roster, setting, wanted)),
  ];
  const steps = edits.flatMap((edit) => edit?.steps ?? []);
  return steps.length > 0 ? { label: label("purpose", {}), steps } : null;
}

/** An empty profile of a purpose. */
export function stateForPurpose(
  game: GameDefinition,
  purpose: string,
  owned: readonly string[],
): ProfileState {
  const { expansionsOff = [], baseOff = [], launch = {} } = lawOfPurpose(game, purpose) ?? {};
  const on = owned.filter((id) => !expansionsOff.includes(id));
  return { ...emptyState(game, on), baseOff: [...baseOff], launch: { ...launch } };
}
