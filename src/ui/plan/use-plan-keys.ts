import { useCallback, type KeyboardEvent } from "react";
import { isPossible, type GridCommand } from "../kit/grid/commands";
import { openMenuAt } from "../kit/grid/open-menu";
import { useTypeAhead } from "../kit/grid/use-type-ahead";
import { sayRefusal } from "@/core/messages/refusals";
import { placeEdit } from "@/core/edit/place";
import { seatAndTitle, titleOf, type SeatedItem, type SeatedList } from "@/core/roster/roster";
import type { TieIndex } from "@/core/roster/ties";
import { useWorkspace } from "../workspace/workspace.client";
import { foldByKey } from "./fold-by-key";
import type { PlanRows } from "./plan-rows";
import { copyItems } from "./use-plan-commands";
import type { PlanSelecting } from "./use-plan-selection";
import { notTheOrder, type Carrying } from "./use-carry";

const page = 10;
const steps: Record<string, number> = { ArrowUp: -1, ArrowDown: 1, PageUp: -page, PageDown: page };

/** The headings above the first row, of which the keyboard stands on one or on none. */
interface PlanHeadings {
  readonly active: number | null;
  readonly setActive: (at: number | null) => void;
  readonly count: number;
  readonly press: (at: number) => void;
}

/** Left and right go from heading to heading, Enter sorts; answers whether it is one of their keys. */
function onHeadingKey({ active, setActive, count, press }: PlanHeadings, key: string): boolean {
  if (active === null) return false;
  if (key === "ArrowLeft") setActive(Math.max(0, active - 1));
  else if (key === "ArrowRight") setActive(Math.min(count - 1, active + 1));
  else if (key === "Enter" || key === " ") press(active);
  else if (key === "ArrowDown" || key === "Escape") setActive(null);
  else return false;
  return true;
}

/** The keys of the plan: walking, selecting, picking up and putting down, single steps, on and off. */
export function usePlanKeys(
  rows: PlanRows,
  carrying: Carrying,
  { keys, onKey, pick }: PlanSelecting,
  commands: readonly GridCommand<SeatedItem>[],
  onFold: (section: string) => void,
  headings: PlanHeadings,
) {
  const { editor, tell } = useWorkspace();
  const { carry, pickUp, hold, putDown, letGo } = carrying;
  const typeAhead = useTypeAhead();

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

  const fold = useCallback(
    (key: "ArrowLeft" | "ArrowRight") => {
      const { focused } = editor.getState();
      const found = foldByKey(rows, focused, key);
      if (!found) return;
      onFold(found.section);
      if (found.focused !== focused)
        editor.select(found.focused === null ? [] : [found.focused], found.focused);
    },
    [editor, rows, onFold],
  );

  return useCallback(
    (event: KeyboardEvent<HTMLElement>) => {
      const by = steps[event.key];
      if (carry) {
        if (by !== undefined) hold(Math.max(0, Math.min(carry.slots.length - 1, carry.at + by)));
        else if (event.key === " " || event.key === "Enter") putDown();
        else if (event.key === "Escape") letGo();
        else if (event.key !== "Tab") return;
        return event.preventDefault();
      }
      const { focused, selected, roster, lens } = editor.getState();
      const { itemOf } = roster.lists[lens];
      const { key, altKey, shiftKey } = event;
      const ctrlKey = event.ctrlKey || event.metaKey;
      const command = ctrlKey ? undefined : commands.find((each) => each.keys?.includes(key));
      if (!altKey && !ctrlKey && onHeadingKey(headings, key)) return event.preventDefault();
      const isFirst = focused === null || focused === keys[0];
      if (altKey) {
        if (by === undefined || ctrlKey) return;
        nudge(by);
      } else if ((key === "ArrowLeft" || key === "ArrowRight") && !ctrlKey && !shiftKey) fold(key);
      else if (key === "ArrowUp" && !shiftKey && !ctrlKey && isFirst && headings.active === null)
        headings.setActive(0);
      else if (key === "ContextMenu" || (shiftKey && key === "F10")) openMenuAt(event.currentTarget);
      else if (key === " " && !ctrlKey && focused !== null)
        pickUp(selected.includes(focused) ? selected : [focused], "keyboard");
      else if (ctrlKey && key.toLowerCase() === "c" && selected.length > 0)
        copyItems(selected.map((id) => seatAndTitle(roster, id)));
      else if (command && focused !== null) {
        const items = (selected.includes(focused) ? selected : [focused]).map((id) => itemOf.get(id)!);
        if (isPossible(command, items)) command.run(items);
      } else if (!onKey({ key, shiftKey, ctrlKey }, page)) {
        const typed = ctrlKey
          ? null
          : typeAhead(key, () => keys.map((id) => titleOf(itemOf.get(id)!)), keys.indexOf(focused ?? ""));
        if (typed === null) return;
        pick(keys[typed]!);
      }
      event.preventDefault();
    },
    [
      carry,
      hold,
      putDown,
      letGo,
      editor,
      nudge,
      fold,
      pickUp,
      commands,
      keys,
      onKey,
      pick,
      typeAhead,
      headings,
    ],
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
