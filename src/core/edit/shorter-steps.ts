import type { Step } from "../model/edit";
import type { ProfileState } from "../model/profile";
import { overFacets } from "../state/facets";
import { sameValue } from "../state/three-way";
import { applySteps, stepsBetween } from "./steps";

/** Characters of JSON from which on it is worth looking for something shorter. */
const large = 16_384;

/**
 * Steps that lead from one state to another, as these do, in fewer words where they are many: a whole order or state says of every
 * item what only a few need.
 */
export function shorterSteps(steps: readonly Step[], from: ProfileState, to: ProfileState): readonly Step[] {
  const length = JSON.stringify(steps).length;
  if (length < large) return steps;
  const differences = stepsBetween(from, to);
  if (JSON.stringify(differences).length >= length) return steps;
  const applied = applySteps(from, differences);
  const leadsThere =
    applied.ok && overFacets((name) => sameValue(applied.value.state[name], to[name])).every(Boolean);
  return leadsThere ? differences : steps;
}
