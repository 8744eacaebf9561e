"use client";

import { useDeferredValue, useMemo, useState } from "react";
import type { ShelfMod } from "@/core/model/shelf";
import { switchMods } from "@/core/edit/edits";
import { inputLook } from "../kit/field";
import { usePreference } from "../workspace/use-preference";
import { useUsage } from "../workspace/use-usage";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { Bulk } from "./bulk";
import { ColumnChoice } from "./column-choice";
import { ModInspector } from "./mod-inspector";
import { SameByNameBar } from "./same-by-name";
import { ShelfBin } from "./shelf-bin";
import { columnOf, shownAtFirst, ShownColumns, sortShelf } from "./shelf-columns";
import { narrowShelf } from "./shelf-filter";
import { ShelfFilterBar } from "./shelf-filter-bar";
import { Floor } from "../kit/floor";
import { ShelfList } from "./shelf-list";
import { ShelfReading } from "./shelf-reading";
import { shelfRows } from "./shelf-rows";
import { useShelfFilter } from "./use-shelf-filter";

/** Everything on the shelf, in use or not, with what each brings. */
export function ShelfScreen() {
  const { editor } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const findings = useEditor((state) => state.findings);
  const usage = useUsage();
  const { filter, sort, wanted, setFilter, setSort } = useShelfFilter();
  const [stored, setColumns] = usePreference("shelf-columns", ShownColumns, shownAtFirst);
  const columns = useMemo(() => stored.filter(({ id }) => columnOf(id)), [stored]);
  const [chosen, setChosen] = useState<string | null>(null);
  const all = useMemo(() => shelfRows(roster, usage, findings), [roster, usage, findings]);
  // What is typed shows at once; the rows follow as fast as they can.
  const followed = useDeferredValue(filter);
  const narrowed = useMemo(() => narrowShelf(all, followed), [all, followed]);
  const rows = useMemo(() => sortShelf(narrowed.shown, sort), [narrowed, sort]);
  const selected = all.find((row) => row.key === chosen) ?? all.find((row) => row.id === wanted) ?? null;
  const switchRow = (mods: readonly ShelfMod[], on: boolean) => {
    const edit = switchMods(editor.getState().roster, mods, on);
    if (edit) editor.dispatch(edit);
  };
  return (
    <div className="flex h-full flex-col">
      <header className="border-line flex h-11 shrink-0 items-center gap-3 border-b px-3">
        <h1 className="text-lg font-bold">Shelf</h1>
        <input
          type="search"
          value={filter.text}
          onChange={(event) => setFilter({ text: event.target.value })}
          placeholder="Search name, author, tag, plugin or file…"
          aria-label="Filter the shelf"
          className={`${inputLook} max-w-72 ${filter.text ? "!border-saffron !bg-saffron-soft" : ""}`}
        />
        <span className="text-ink2 font-mono text-sm" role="status">
          {rows.length} of {all.length} shown
        </span>
        <div className="ml-auto flex items-center gap-2">
          <ShelfBin />
          <ColumnChoice columns={columns} onColumns={setColumns} />
          <ShelfReading />
        </div>
      </header>
      <SameByNameBar />
      <ShelfFilterBar narrowed={narrowed} filter={filter} onFilter={setFilter} bulk={<Bulk shown={rows} />} />
      <div className="flex min-h-0 grow">
        <Floor what="The list">
          <ShelfList
            rows={rows}
            columns={columns}
            onColumns={setColumns}
            selected={selected?.key ?? null}
            sort={sort}
            onSort={setSort}
            onSelect={setChosen}
            onSwitch={switchRow}
          />
        </Floor>
        <Floor what="The inspector">
          <ModInspector row={selected} onSwitch={switchRow} />
        </Floor>
      </div>
    </div>
  );
}
