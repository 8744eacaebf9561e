import type { Edit } from "../model/edit";
import { refuse, type Outcome } from "../model/outcome";
import type { ListName, Order } from "../model/profile";
import type { Roster, SeatedList } from "../roster/roster";
import { applySteps, type Applied } from "./steps";
import type { TieIndex } from "../roster/ties";

/**
 * Applies an edit and holds the result against the laws: no must tie that held may be broken by it, nothing may
 * come to stand in a section of another load rank or in a closed one, and what is built in stays. The editor in the
 * browser and the server both ask this. `ties` is asked for only where something is arranged.
 */
export function prepareEdit(
  roster: Roster,
  ties: (list: ListName) => TieIndex,
  edit: Edit,
): Outcome<Applied> {
  const applied = applySteps(roster.profile.state, edit.steps);
  if (!applied.ok) return applied;
  for (const name of arrangedBy(edit)) {
    const refused = checkPlaces(roster.lists[name], ties(name), applied.value.state[name]);
    if (refused) return refused;
  }
  return applied;
}

const arrangedBy = ({ steps }: Edit): Set<ListName> =>
  new Set(steps.flatMap((step) => (step.kind === "put" || step.kind === "arrange" ? [step.list] : [])));

function checkPlaces(list: SeatedList, ties: TieIndex, order: Order) {
  const placeOf = new Map<string, number>(order.entries.map((entry, place) => [entry.id, place]));
  for (const tie of ties.all) {
    if (tie.strength !== "must" || !tie.kept) continue;
    const held = list.itemOf.get(tie.earlier)!.place < list.itemOf.get(tie.later)!.place;
    const [earlier, later] = [placeOf.get(tie.earlier), placeOf.get(tie.later)];
    if (held && earlier !== undefined && later !== undefined && earlier > later)
      return refuse("tie-above", {
        item: tie.later,
        with: tie.earlier,
        because: tie.because,
        list: list.name,
      });
  }
  return checkSections(list, order) ?? checkFixed(list, placeOf);
}

function checkSections(list: SeatedList, order: Order) {
  const sectionOf = new Map(order.sections.map((section) => [section.id as string | null, section]));
  for (const entry of order.entries) {
    const item = list.itemOf.get(entry.id);
    if (!item || item.entry.section === entry.section) continue;
    const section = sectionOf.get(entry.section);
    if (section?.rank !== item.rank.id) return refuse("outside-section", { item: entry.id });
    // A tie may raise an item into a closed section, and one that belongs there may go home; a hand puts nothing else there.
    const isOwn = entry.home !== undefined || item.entry.home === section.id;
    if (section.closed && !isOwn && wasClosed(list, section.id))
      return refuse("section-closed", { item: entry.id, section: section.name });
  }
  return null;
}

/** A section that an edit closes may be filled by the same edit, as when one goes back to an earlier state. */
const wasClosed = ({ sections }: SeatedList, id: string): boolean =>
  sections.some((section) => section.id === id && section.closed);

/** The rules of the fixed order hold of neighbours; what stands above all of it is kept out by its rank. */
function checkFixed(list: SeatedList, placeOf: ReadonlyMap<string, number>) {
  const gone = list.items.find((item) => item.fixed && !placeOf.has(item.id));
  return gone ? refuse("built-in-stays", { item: gone.id }) : null;
}

/** An edit without effect is not worth storing. */
export const changesNothing = (roster: Roster, { state }: Applied, edit: Edit): boolean =>
  state === roster.profile.state && edit.follow === undefined;
