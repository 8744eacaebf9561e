import { useCallback, type KeyboardEvent } from "react";
import { isPossible, type GridCommand } from "../kit/grid/commands";
import { openMenuAt } from "../kit/grid/open-menu";
import { onHeadKey, type Headed } from "../kit/grid/use-grid-keys";
import { useTypeAhead } from "../kit/grid/use-type-ahead";
import { sayRefusal } from "@/core/messages/refusals";
import { placeEdit } from "@/core/edit/place";
import { seatAndTitle, titleOf, type SeatedItem, type SeatedList } from "@/core/roster/roster";
import { useWorkspace } from "../workspace/workspace.client";
import { foldByKey } from "./fold-by-key";
import type { PlanCells } from "./plan-columns";
import type { PlanRows } from "./plan-rows";
import { copyItems } from "./use-plan-commands";
import type { PlanSelecting } from "./use-plan-selection";
import { notTheOrder, type Carrying } from "./use-carry";
import { useTellBarred } from "./use-tell-barred";

const page = 10;
const steps: Record<string, number> = { ArrowUp: -1, ArrowDown: 1, PageUp: -page, PageDown: page };

/** The keys of the plan: walking, selecting, picking up and putting down, single steps, on and off. */
export function usePlanKeys(
  rows: PlanRows,
  carrying: Carrying,
  { keys, onKey, pick }: PlanSelecting,
  commands: readonly GridCommand<SeatedItem>[],
  onFold: (section: string) => void,
  headed: Headed<PlanCells>,
) {
  const { editor, tell } = useWorkspace();
  const tellBarred = useTellBarred();
  const { carry, pickUp, hold, putDown, putDownAlong, letGo, turnListing } = carrying;
  const typeAhead = useTypeAhead();

  const nudge = useCallback(
    (by: number) => {
      if (!rows.isRealOrder) return tell([notTheOrder()], "wrong");
      const { roster, lens, ties, selected } = editor.getState();
      const list = roster.lists[lens];
      const first = list.items.find((item) => selected.includes(item.id));
      if (!first) return;
      const target = nudgeTarget(list, selected, first, by);
      const edit = placeEdit(list, ties[lens], selected, target.gap, target.section);
      if (!edit.ok) return tellBarred(sayRefusal(edit.refusal), selected, target);
      if (edit.value) editor.dispatch(edit.value);
    },
    [editor, tell, tellBarred, rows],
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
        else if (event.key.toLowerCase() === "t") putDownAlong();
        else if (event.key.toLowerCase() === "l") turnListing();
        else if (event.key === "Escape") letGo();
        else if (event.key !== "Tab") return;
        return event.preventDefault();
      }
      const { focused, selected, roster, lens } = editor.getState();
      const { itemOf } = roster.lists[lens];
      const { key, altKey, shiftKey } = event;
      const ctrlKey = event.ctrlKey || event.metaKey;
      const command = ctrlKey ? undefined : commands.find((each) => each.keys?.includes(key));
      if (onHeadKey(headed, event)) return event.preventDefault();
      const isFirst = focused === null || focused === keys[0];
      if (altKey) {
        if (by === undefined || ctrlKey) return;
        nudge(by);
      } else if ((key === "ArrowLeft" || key === "ArrowRight") && !ctrlKey && !shiftKey) fold(key);
      else if (key === "ArrowUp" && !shiftKey && !ctrlKey && isFirst)
        headed.setHead(headed.columns.findIndex(({ isMain }) => isMain));
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
      putDownAlong,
      letGo,
      turnListing,
      editor,
      nudge,
      fold,
      pickUp,
      commands,
      keys,
      onKey,
      pick,
      typeAhead,
      headed,
    ],
  );
}

/**
 * One step up or down. At the border of a section a step crosses the border first and passes nobody, so that every
 * place in the list can be reached.
 */
function nudgeTarget(list: SeatedList, ids: readonly string[], first: SeatedItem, by: number) {
  const { sections, items } = list;
  const rest = items.filter((item) => !ids.includes(item.id));
  const gap = rest.filter((item) => item.place < first.place).length;
  const at = sections.findIndex((section) => section.id === first.entry.section);
  const passed = by < 0 ? rest[gap - 1] : rest[gap];
  const neighbour = sections[at + Math.sign(by)];
  if (passed?.entry.section !== first.entry.section && neighbour?.rank === first.rank.id)
    return { gap, section: neighbour.id };
  return { gap: Math.max(0, gap + by), section: first.entry.section };
}
