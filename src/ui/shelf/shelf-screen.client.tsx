"use client";

import { useVirtualizer } from "@tanstack/react-virtual";
import { useSearchParams } from "next/navigation";
import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from "react";
import type { ShelfMod } from "@/core/model/shelf";
import { switchMods } from "@/core/profile/edits";
import type { SeatedMod } from "@/core/profile/roster";
import { inputLook } from "../kit/field";
import { Button } from "../kit/button";
import { LevelMark } from "../kit/level";
import { Toggle } from "../kit/toggle";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { formatSize } from "./format-size";
import { ModInspector } from "./mod-inspector";
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
  const [chosen, setChosen] = useState<string | null>(null);
  const all = useMemo(() => shelfRows(roster), [roster]);
  const rows = useMemo(() => filterRows(all, text), [all, text]);
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
        {text && (
          <Button small look="quiet" onClick={() => setText("")}>
            Show all
          </Button>
        )}
        <div className="ml-auto">
          <ShelfReading />
        </div>
      </header>
      <div className="flex min-h-0 grow">
        <ShelfList rows={rows} selected={selected?.key ?? null} onSelect={setChosen} onSwitch={switchRow} />
        <ModInspector row={selected} onSwitch={switchRow} />
      </div>
    </div>
  );
}

function filterRows(rows: readonly ShelfRow[], text: string): readonly ShelfRow[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return rows;
  return rows.filter((row) => words.every((word) => row.searched.includes(word)));
}

function ShelfList({
  rows,
  selected,
  onSelect,
  onSwitch,
}: {
  rows: readonly ShelfRow[];
  selected: string | null;
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
        <span role="columnheader">Mod</span>
        <span role="columnheader">Version</span>
        <span role="columnheader" className="hidden min-[1180px]:block">
          Author
        </span>
        <span role="columnheader" className="text-right">
          Plugins
        </span>
        <span role="columnheader" className="text-right">
          Size
        </span>
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
