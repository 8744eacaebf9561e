import { say } from "@/core/language/say";
import { useEffect, useMemo, useRef } from "react";
import { switchItems } from "@/core/edit/edits";
import { seatAndTitle, type SeatedItem } from "@/core/roster/roster";
import { copiedRows } from "../kit/grid/columns";
import type { GridCommand } from "../kit/grid/commands";
import { useGo } from "../workspace/use-go";
import { useWorkspace } from "../workspace/workspace.client";
import type { PlanGrid } from "./use-plan-grid";

/** What can be done with items of the plan, for its menu. */
export function usePlanCommands(
  onMoveTo: () => void,
  { shown, cellsOf }: Pick<PlanGrid, "shown" | "cellsOf">,
): readonly GridCommand<SeatedItem>[] {
  const { editor } = useWorkspace();
  const copied = useRef((items: readonly SeatedItem[]) => copiedRows(shown, items.map(cellsOf)));
  useEffect(() => void (copied.current = (items) => copiedRows(shown, items.map(cellsOf))));
  const go = useGo();
  return useMemo(() => {
    const isMovable = ({ fixed }: SeatedItem) => !fixed;
    const modOf = (item: SeatedItem) => (item.list === "mods" ? item : item.mod);
    return [
      {
        id: "switch",
        title: (items) =>
          items.filter(isMovable).every(({ loads }) => loads)
            ? say("common.switchOff")
            : say("common.switchOn"),
        keys: ["Enter"],
        isPossible: (items) => items.some(isMovable),
        run: (items) => {
          const movable = items.filter(isMovable);
          const edit = switchItems(editor.getState().roster, movable, !movable.every(({ loads }) => loads));
          if (edit) editor.dispatch(edit);
        },
      },
      {
        id: "move-to",
        title: () => say("plan.moveTo"),
        keys: ["Alt+M"],
        isPossible: (items) => items.some(isMovable),
        run: onMoveTo,
      },
      {
        id: "on-the-shelf",
        title: () => say("plan.onTheShelf"),
        isPossible: ([first, ...others]) => others.length === 0 && modOf(first!) !== null,
        run: ([first]) => go(`/shelf?mod=${encodeURIComponent(modOf(first!)!.id)}`),
      },
      {
        id: "copy",
        title: () => say("plan.copyWithSeats"),
        keys: ["Ctrl+C"],
        run: (items) => copyItems(items.map(({ id }) => seatAndTitle(editor.getState().roster, id))),
      },
      {
        id: "copy-cells",
        title: () => say("plan.copyAsCellsOfATable"),
        run: (items) => copyItems([copied.current(items)]),
      },
    ];
  }, [editor, go, onMoveTo]);
}

export const copyItems = (lines: readonly string[]): void =>
  void navigator.clipboard.writeText(lines.join("\n"));
