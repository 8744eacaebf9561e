"use client";

import { useDeferredValue, useMemo } from "react";
import { makeLineup } from "@/core/lineup/make-lineup";
import { useEditor } from "../../workspace/workspace.client";
import { ListContents } from "./list-contents";
import { Send } from "./send";
import { SheetForm } from "./sheet-form";
import { useSheet } from "./use-sheet";

/** The present profile on its way out: what is said of it, what it holds, how it goes. */
export function ListOut() {
  const roster = useEditor((state) => state.roster);
  const state = useSheet();
  const { sheet, change } = state;
  const settled = useDeferredValue(sheet);
  const lineup = useMemo(
    () => makeLineup(roster, { ...settled, title: roster.profile.name, date: "" }),
    [roster, settled],
  );
  return (
    <div className="divide-line grid min-h-0 grow grid-cols-[minmax(0,1fr)] max-md:overflow-auto md:grid-cols-[minmax(0,1fr)_18.75rem] md:grid-rows-2 md:divide-x xl:grid-cols-[16.875rem_minmax(0,1fr)_18.75rem] xl:grid-rows-1">
      <div className="min-h-0 overflow-auto p-4 max-xl:row-start-2">
        <SheetForm sheet={sheet} change={change} />
      </div>
      {/* Before the rows, of which each takes two steps of the Tab key. */}
      <div className="col-start-2 row-span-full min-h-0 overflow-auto p-4 xl:col-start-3">
        <Send lineup={lineup} sheet={state} />
      </div>
      <div className="flex min-h-0 flex-col p-4 max-xl:col-start-1 max-xl:row-start-1 xl:col-start-2 xl:row-start-1">
        <ListContents sheet={sheet} change={change} />
      </div>
    </div>
  );
}
