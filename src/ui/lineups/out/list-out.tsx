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
    <div className="divide-line flex min-h-0 grow flex-col max-md:overflow-auto md:grid md:grid-cols-[minmax(0,1fr)_18.75rem] md:grid-rows-2 md:divide-x xl:grid-cols-[16.875rem_minmax(0,1fr)_18.75rem] xl:grid-rows-1">
      <div className="p-4 max-xl:row-start-2 md:min-h-0 md:overflow-auto">
        <SheetForm sheet={sheet} change={change} />
      </div>
      {/* Before the rows, of which each takes two steps of the Tab key. */}
      <div className="p-4 md:col-start-2 md:row-span-full md:min-h-0 md:overflow-auto xl:col-start-3">
        <Send lineup={lineup} sheet={state} />
      </div>
      <div className="flex flex-col p-4 max-md:h-96 max-md:shrink-0 max-xl:col-start-1 max-xl:row-start-1 md:min-h-0 xl:col-start-2 xl:row-start-1">
        <ListContents sheet={sheet} change={change} />
      </div>
    </div>
  );
}
