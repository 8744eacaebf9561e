import { useCallback, type KeyboardEvent } from "react";
import { sayRefusal } from "@/core/messages/refusals";
import { placeEdit } from "@/core/edit/place";
import type { SeatedItem, SeatedList } from "@/core/roster/roster";
import type { TieIndex } from "@/core/roster/ties";
import { useWorkspace } from "../workspace/workspace.client";
import type { PlanRows } from "./plan-rows";
import { notTheOrder, type Carrying } from "./use-carry";

const steps: Record<string, number> = { ArrowUp: -1, ArrowDown: 1, PageUp: -10, PageDown: 10 };

/** The keys of the plan: walking, selecting, picking up and putting down, single steps, on and off. */
export function usePlanKeys(rows: PlanRows, carrying: Carrying, toggle: (item: SeatedItem) => void) {
  const { editor, tell } = useWorkspace();
  const { carry, pickUp, hold, putDown, letGo } = carrying;

  const walk = useCallback(
    (by: number, extend: boolean) => {
      const { focused, selected } = editor.getState();
      const items = rows.rows.filter((row) => row.kind === "item");
      const at = items.findIndex((row) => row.key === focused);
      const next = items[Math.max(0, Math.min(items.length - 1, at + by))];
      if (!next) return;
      const kept = extend ? selected.filter((id) => id !== next.key) : [];
      editor.select([...kept, next.key], next.key);
    },
    [editor, rows],
  );

  const nudge = useCallback(
    (by: number) => {
      if (!rows.isRealOrder) return tell([notTheOrder], "wrong");
      const { roster, lens, ties, selected } = editor.getState();
      const list = roster.lists[lens];
      const first = list.items.find((item) => selected.includes(item.id));
      if (!first) return;
      const edit = nudgeEdit(list, ties[lens], selected, first, by);
      if (!edit.ok) return tell(sayRefusal(edit.refusal), "wrong");
      if (edit.value) editor.dispatch(edit.value);
    },
    [editor, tell, rows],
  );

  return useCallback(
    (event: KeyboardEvent) => {
      const by = steps[event.key];
      if (carry) {
        if (by !== undefined) hold(Math.max(0, Math.min(carry.slots.length - 1, carry.at + by)));
        else if (event.key === " " || event.key === "Enter") putDown();
        else if (event.key === "Escape") letGo();
        else if (event.key !== "Tab") return;
        return event.preventDefault();
      }
      if (event.ctrlKey || event.metaKey) return;
      const { focused, selected, roster, lens } = editor.getState();
      if (by !== undefined && event.altKey) nudge(by);
      else if (by !== undefined) walk(by, event.shiftKey);
      else if (event.key === "Home") walk(-rows.rows.length, false);
      else if (event.key === "End") walk(rows.rows.length, false);
      else if (event.key === " " && focused !== null)
        pickUp(selected.includes(focused) ? selected : [focused], "keyboard");
      else if (event.key === "Enter" && focused !== null) toggle(roster.lists[lens].itemOf.get(focused)!);
      else if (event.key === "Escape") editor.select([], focused);
      else return;
      event.preventDefault();
    },
    [carry, hold, putDown, letGo, editor, nudge, walk, pickUp, toggle, rows],
  );
}

/**
 * One step up or down. At the border of a section a step crosses the border first and passes nobody, so that every
 * place in the list can be reached.
 */
function nudgeEdit(list: SeatedList, ties: TieIndex, ids: readonly string[], first: SeatedItem, by: number) {
  const { sections, items } = list;
  const rest = items.filter((item) => !ids.includes(item.id));
  const gap = rest.filter((item) => item.place < first.place).length;
  const at = sections.findIndex((section) => section.id === first.entry.section);
  const passed = by < 0 ? rest[gap - 1] : rest[gap];
  const neighbour = sections[at + Math.sign(by)];
  if (passed?.entry.section !== first.entry.section && neighbour?.rank === first.rank.id)
    return placeEdit(list, ties, ids, gap, neighbour.id);
  return placeEdit(list, ties, ids, gap + by, first.entry.section);
}
