import type { Edit } from "../model/edit";
import type { SheetNumber } from "../model/profile";
import { numberKey } from "../state/facets";
import type { Roster } from "../roster/roster";
import type { ListName } from "../model/profile";
import { renumbered, withNumbersOf } from "../roster/sheet";
import { label, stepsBetween } from "./steps";

/** Gives a section or an item a number of its own, or takes it away (null); `name`: what a section is called. */
export const numberEdit = (
  { list, of, id }: Omit<SheetNumber, "number">,
  number: number | null,
  name: string = id,
): Edit => ({
  label: label("number", { item: name, number: number ?? "" }),
  steps: [
    {
      kind: "decide",
      facet: "numbers",
      key: numberKey({ list, of, id }),
      item: number === null ? null : { list, of, id, number },
    },
  ],
});

/** Numbers a list anew, with room in every tier; null where nothing changes. */
export function renumberEdit({ profile: { state }, lists }: Roster, list: ListName): Edit | null {
  const numbers = withNumbersOf(state.numbers, list, renumbered(lists[list]).numbers);
  const steps = stepsBetween(state, { ...state, numbers });
  return steps.length === 0 ? null : { label: label("renumber", { name: list }), steps };
}
