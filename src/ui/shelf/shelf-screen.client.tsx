"use client";

import { useVirtualizer } from "@tanstack/react-virtual";
import { useSearchParams } from "next/navigation";
import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type ReactNode } from "react";
import type { ShelfMod } from "@/core/model/shelf";
import { switchMods } from "@/core/profile/edits";
import type { SeatedMod } from "@/core/profile/roster";
import { inputLook } from "../kit/field";
import { LevelMark } from "../kit/level";
import { Toggle } from "../kit/toggle";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { formatSize } from "../kit/format-size";
import { ModInspector } from "./mod-inspector";
import { filterShelf, shelfStates, sortShelf, type ShelfFilter, type ShelfSort } from "./shelf-filter";
import { ShelfFilterBar } from "./shelf-filter-bar";
import { ShelfReading } from "./shelf-reading";
import { shelfRows, type ShelfRow } from "./shelf-rows";
import { useUrlText } from "./use-url-text";

const rowHeight = 32;

/** Everything on the shelf, in use or not, with what each brings. */
export function ShelfScreen() {
  const { editor } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const wanted = useSearchParams().get("mod");
  const [text, setText] = useUrlText("q");
  const [state, setState] = useUrlText("state");
  const [tag, setTag] = useUrlText("tag");
  const [use, setUse] = useUrlText("use");
  const [sort, setSort] = useUrlText("sort");
  const [chosen, setChosen] = useState<string | null>(null);
  const listed = useEditor((now) => now.view.usage);
  const usage = useMemo(() => new Map(listed.map(({ id, profiles }) => [id, profiles])), [listed]);
  const all = useMemo(() => shelfRows(roster), [roster]);
  const filter = useMemo(() => readFilter({ text, state, tag, use }), [text, state, tag, use]);
  const rows = useMemo(() => sortShelf(filterShelf(all, filter, usage), sort), [all, filter, usage, sort]);
  const change = (part: Partial<ShelfFilter>) => {
    if (part.text !== undefined) setText(part.text);
    if (part.state !== undefined) setState(part.state);
    if (part.tag !== undefined) setTag(part.tag);
    if (part.use !== undefined) setUse(part.use);
  };
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
          value={text}
          onChange={(event) => setText(event.target.value)}
          placeholder="Filter by name, author, tag or file…"
          aria-label="Filter the shelf"
          className={`${inputLook} max-w-72 ${text ? "!border-saffron !bg-saffron-soft" : ""}`}
        />
        <span className="text-ink2 font-mono text-sm" role="status">
          {rows.length} of {all.length} shown
        </span>
        <div className="ml-auto">
          <ShelfReading />
        </div>
      </header>
      <ShelfFilterBar all={all} shown={rows} filter={filter} usage={usage} onFilter={change} />
      <div className="flex min-h-0 grow">
        <ShelfList
          rows={rows}
          selected={selected?.key ?? null}
          sort={sort}
          onSort={setSort}
          onSelect={setChosen}
          onSwitch={switchRow}
        />
        <ModInspector
          row={selected}
          profiles={selected ? (usage.get(selected.id) ?? []) : []}
          onSwitch={switchRow}
        />
      </div>
    </div>
  );
}

/** What the address says; what it cannot mean does not narrow. */
function readFilter({ text, state, tag, use }: Record<keyof ShelfFilter, string>): ShelfFilter {
  return {
    text,
    state: shelfStates.find((each) => each === state) ?? "",
    tag,
    use: use === "used" || use === "unused" ? use : "",
  };
}

function ShelfList({
  rows,
  selected,
  sort,
  onSort,
  onSelect,
  onSwitch,
}: {
  rows: readonly ShelfRow[];
  selected: string | null;
  sort: string;
  onSort: (sort: string) => void;
  onSelect: (key: string) => void;
  onSwitch: (mods: readonly ShelfMod[], on: boolean) => void;
}) {
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeight,
    overscan: 12,
    scrollPaddingStart: rowHeight,
  });
  const at = rows.findIndex((row) => row.key === selected);
  useEffect(() => {
    if (at >= 0) virtual.scrollToIndex(at, { align: "auto" });
  }, [at, virtual]);
  const onKeyDown = (event: KeyboardEvent) => {
    const by = { ArrowDown: 1, ArrowUp: -1, PageDown: 15, PageUp: -15 }[event.key];
    const row = rows[at];
    if (by !== undefined) {
      const next = rows[Math.max(0, Math.min(rows.length - 1, at + by))];
      if (next) onSelect(next.key);
    } else if ((event.key === "Enter" || event.key === " ") && row?.mod && !row.mod.problem) {
      onSwitch([row.mod], !row.seated?.loads);
    } else return;
    event.preventDefault();
  };
  return (
    <div
      ref={scroller}
      role="grid"
      aria-label="Mods on the shelf"
      aria-rowcount={rows.length + 1}
      tabIndex={0}
      onKeyDown={onKeyDown}
      aria-activedescendant={selected !== null && at >= 0 ? shelfRowId(selected) : undefined}
      className="min-w-0 grow overflow-auto focus-visible:outline-none"
    >
      <div
        role="row"
        className={`border-line bg-sunk text-ink2 sticky top-0 z-[2] border-b text-sm font-semibold ${columns}`}
      >
        <span role="columnheader" className="pl-3">
          On
        </span>
        <SortHeader by="name" sort={sort} onSort={onSort}>
          Mod
        </SortHeader>
        <SortHeader by="version" sort={sort} onSort={onSort}>
          Version
        </SortHeader>
        <SortHeader by="author" sort={sort} onSort={onSort} className="hidden min-[1180px]:block">
          Author
        </SortHeader>
        <SortHeader by="plugins" sort={sort} onSort={onSort} className="text-right">
          Plugins
        </SortHeader>
        <SortHeader by="size" sort={sort} onSort={onSort} className="text-right">
          Size
        </SortHeader>
        <span role="columnheader">File</span>
      </div>
      {rows.length === 0 && <p className="text-ink2 p-4">Nothing on the shelf fits this filter.</p>}
      <div role="presentation" className="relative" style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map(({ index, start }) => {
          const row = rows[index]!;
          return (
            <div
              key={row.key}
              id={shelfRowId(row.key)}
              role="row"
              aria-rowindex={index + 2}
              aria-selected={row.key === selected}
              onClick={() => onSelect(row.key)}
              className={`border-line absolute left-0 w-full border-b ${columns} ${row.key === selected ? "bg-pine-soft" : "bg-surface"}`}
              style={{ top: start, height: rowHeight }}
            >
              <ShelfCells row={row} onSwitch={onSwitch} />
            </div>
          );
        })}
      </div>
    </div>
  );
}

/** A column by which the shelf is sorted: once one way, then the other, then by name again. */
function SortHeader({
  by,
  sort,
  onSort,
  className = "",
  children,
}: {
  by: ShelfSort;
  sort: string;
  onSort: (sort: string) => void;
  className?: string;
  children: ReactNode;
}) {
  const way = sort === by ? "ascending" : sort === `-${by}` ? "descending" : "none";
  const next = { none: by, ascending: `-${by}`, descending: "" }[way];
  return (
    <span role="columnheader" aria-sort={way} className={className}>
      <button type="button" onClick={() => onSort(next)} className="hover:text-ink h-6">
        {children} {way === "ascending" ? "↑" : way === "descending" ? "↓" : ""}
      </button>
    </span>
  );
}

const columns =
  "grid h-8 grid-cols-[44px_minmax(140px,1.6fr)_72px_56px_76px_minmax(120px,1.4fr)] min-[1180px]:grid-cols-[44px_minmax(140px,1.6fr)_72px_110px_56px_76px_minmax(120px,1.4fr)] items-center gap-x-4";

const shelfRowId = (key: string): string => `shelf-${encodeURIComponent(key)}`;

/** Whether the mod is on in this profile, for its switch. */
const stateWords = (seated: SeatedMod | null): string =>
  !seated ? "not in this profile" : seated.loads ? "on" : "off";

function ShelfCells({
  row,
  onSwitch,
}: {
  row: ShelfRow;
  onSwitch: (mods: readonly ShelfMod[], on: boolean) => void;
}) {
  const { mod, seated } = row;
  const unsound = Boolean(mod?.problem);
  return (
    <>
      <span role="gridcell" className="pl-2">
        {mod && !unsound && !row.supersededBy ? (
          <Toggle
            on={seated?.loads ?? false}
            tabIndex={-1}
            label={`${row.name} is ${stateWords(seated)}`}
            onClick={() => onSwitch([mod], !seated?.loads)}
          />
        ) : (
          <span className="flex h-6 w-7 items-center justify-center">
            <LevelMark
              level={row.supersededBy ? "hint" : "problem"}
              label={row.supersededBy ? "another version counts" : "problem"}
            />
          </span>
        )}
      </span>
      <span
        role="gridcell"
        className={`truncate font-semibold ${seated?.loads || unsound ? "" : "text-ink2"}`}
      >
        {row.name}
      </span>
      <span role="gridcell" className="text-ink2 truncate font-mono text-sm">
        {row.version}
      </span>
      <span role="gridcell" className="text-ink2 hidden truncate min-[1180px]:block">
        {mod?.author ?? ""}
      </span>
      <span role="gridcell" className="text-right font-mono text-sm">
        {mod?.plugins.length || ""}
      </span>
      <span role="gridcell" className="text-ink2 text-right font-mono text-sm">
        {mod ? formatSize(mod.size) : ""}
      </span>
      <span
        role="gridcell"
        className={`truncate font-mono text-sm ${unsound ? "text-saffron" : "text-ink2"}`}
      >
        {mod ? (unsound ? `unsound: ${mod.path}` : mod.path) : "not on the shelf"}
      </span>
    </>
  );
}
