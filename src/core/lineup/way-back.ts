import { compareStates, type Difference } from "../compare/states";
import type { ProfileState } from "../model/profile";
import type { Roster } from "../roster/roster";
import type { SetupDifference } from "./compare";

/**
 * What has to be taken over from the list as it comes out here, so that a difference from it is gone: of a plugin also what became of
 * its mod. Empty where nothing in the profile can do it: another version of the game, an expansion that is not owned.
 */
export function wayBack(here: Roster, pure: ProfileState, difference: SetupDifference): Difference[] {
  const all = compareStates(here.profile.state, pure);
  const owner = difference.facet === "plugins" ? here.pluginOf.get(difference.key)?.mod?.id : undefined;
  const own = all.filter(
    ({ facet, key }) =>
      (facet === difference.facet && key === difference.key) || (facet === "mods" && key === owner),
  );
  // The fewest that move in the profile need not be the fewest that move of what loads.
  const isPlaced = own.some(({ facet, kind }) => facet === difference.facet && kind !== "on");
  if (difference.kind !== "place" || isPlaced) return own;
  return all.filter(
    ({ facet, kind }) =>
      facet === difference.facet && (kind === "place" || kind === "section" || kind === "section-place"),
  );
}
