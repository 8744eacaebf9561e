import type { Edit, Step } from "../model/edit";
import { refuse, type Outcome } from "../model/outcome";
import type { ProfileState } from "../model/profile";
import type { Roster } from "./roster";
import { applySteps, type Applied } from "./steps";
import type { TieIndex } from "./ties";

/**
 * Applies an edit and holds the result against the laws: no must tie that held may be broken by it, nothing may
 * come to stand in a section of another load rank, and what is built in stays. The editor in the browser and the
 * server both ask this. `ties` is asked for only where something is arranged.
 */
export function prepareEdit(roster: Roster, ties: () => TieIndex, edit: Edit): Outcome<Applied> {
  const applied = applySteps(roster.profile.state, edit.steps);
  if (!applied.ok || !edit.steps.some(rearranges)) return applied;
  return checkPlaces(roster, ties(), applied.value.state) ?? applied;
}

const rearranges = (step: Step): boolean =>
  (step.kind === "put" || step.kind === "arrange") && step.list === "plugins";

function checkPlaces(roster: Roster, ties: TieIndex, state: ProfileState) {
  const placeOf = new Map(state.plugins.entries.map((entry, place) => [entry.id, place]));
  for (const tie of ties.all) {
    if (tie.strength !== "must" || !tie.kept) continue;
    const held = roster.pluginOf.get(tie.earlier)!.place < roster.pluginOf.get(tie.later)!.place;
    const [earlier, later] = [placeOf.get(tie.earlier), placeOf.get(tie.later)];
    if (held && earlier !== undefined && later !== undefined && earlier > later)
      return refuse("tie-above", { item: tie.later, with: tie.earlier, because: tie.because });
  }
  return checkSections(roster, state) ?? checkFixed(roster, placeOf);
}

function checkSections(roster: Roster, state: ProfileState) {
  const rankOf = new Map(
    state.plugins.sections.map((section) => [section.id as string | null, section.rank]),
  );
  const wrong = state.plugins.entries.find((entry) => {
    const plugin = roster.pluginOf.get(entry.id);
    return plugin && plugin.entry.section !== entry.section && rankOf.get(entry.section) !== plugin.rank.id;
  });
  return wrong ? refuse("outside-section", { item: wrong.id }) : null;
}

/** The rules of the fixed order hold of neighbours; what stands above all of it is kept out by its rank. */
function checkFixed(roster: Roster, placeOf: ReadonlyMap<string, number>) {
  const fixed = roster.plugins.filter((plugin) => plugin.fixed);
  const gone = fixed.find((plugin) => !placeOf.has(plugin.id));
  return gone ? refuse("built-in-stays", { item: gone.id }) : null;
}

/** An edit without effect is not worth storing. */
export const changesNothing = (roster: Roster, { state }: Applied): boolean => state === roster.profile.state;
