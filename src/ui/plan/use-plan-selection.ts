import { useCallback, useMemo, useRef } from "react";
import {
  afterClick,
  afterKey,
  afterMenuClick,
  selectOne,
  type Modifiers,
  type Selection,
} from "../kit/grid/selection";
import { useWorkspace } from "../workspace/workspace.client";
import type { PlanRows } from "./plan-rows";

/** What selects in the plan, as in every list. */
export interface PlanSelecting {
  /** Ids of the items that are shown, in order. */
  readonly keys: readonly string[];
  readonly onClick: (id: string, held: Modifiers) => void;
  readonly onMenu: (id: string) => void;
  /** Whether it is a key that walks or selects. */
  readonly onKey: (pressed: Modifiers & { readonly key: string }, page: number) => boolean;
  readonly pick: (id: string) => void;
}

/** The selection itself is the editor's, for other views go by it; where a range began is the list's own. */
export function usePlanSelection({ rows }: PlanRows): PlanSelecting {
  const { editor } = useWorkspace();
  const anchor = useRef<string | null>(null);
  const keys = useMemo(
    () => rows.flatMap((row) => (row.kind === "item" ? [row.item.id as string] : [])),
    [rows],
  );
  const now = useCallback((): Selection => {
    const { selected, focused } = editor.getState();
    const isThere = anchor.current !== null && selected.includes(anchor.current);
    return { selected, active: focused, anchor: isThere ? anchor.current : focused };
  }, [editor]);
  const take = useCallback(
    (next: Selection) => {
      anchor.current = next.anchor;
      editor.select(next.selected, next.active);
    },
    [editor],
  );
  return useMemo(
    () => ({
      keys,
      onClick: (id, held) => take(afterClick(keys, now(), id, held)),
      onMenu: (id) => take(afterMenuClick(now(), id)),
      onKey: (pressed, page) => {
        const next = afterKey(keys, now(), pressed, page);
        if (next) take(next);
        return next !== null;
      },
      pick: (id) => take(selectOne(id)),
    }),
    [keys, now, take],
  );
}
