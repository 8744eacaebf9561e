import type { Edit } from "../model/edit";
import type { SeatedList } from "../roster/roster";
import type { TieIndex } from "../roster/ties";
import { barrierAt, freeGaps, placeEdit } from "./place";

/** What comes along besides the items themselves, and the edit that moves them all. */
interface Along {
  readonly ids: readonly string[];
  readonly edit: Edit;
}

/**
 * The way to a place that ties bar: all that bars it moves too, and what bars that. `gap` counts the items that stay before it, as
 * where the items alone are moved. Null where nothing bars the items, or where a load rank, a closed section or what is built in does.
 */
export function takeAlong(
  list: SeatedList,
  ties: TieIndex,
  ids: readonly string[],
  gap: number,
  section: string | null,
): Along | null {
  const rest = list.items.filter(({ id }) => !ids.includes(id));
  const moving = new Set(ids);
  for (;;) {
    const at = rest.slice(0, gap).filter(({ id }) => !moving.has(id)).length;
    const barrier = barrierAt(freeGaps(list, ties, [...moving]), at);
    if (barrier?.kind === "tie") moving.add(barrier.with);
    else {
      const along = [...moving].slice(ids.length);
      const edit = along.length > 0 ? placeEdit(list, ties, [...moving], at, section) : null;
      return edit?.ok && edit.value ? { ids: along, edit: edit.value } : null;
    }
  }
}
