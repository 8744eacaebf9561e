"use client";

import { useVirtualizer } from "@tanstack/react-virtual";
import { useDeferredValue, useMemo, useRef, useState, type KeyboardEvent } from "react";
import { plural } from "@/core/messages/parts";
import { Button } from "../kit/button";
import { Choose } from "../kit/choose";
import { inputLook } from "../kit/field";
import { formatSize } from "../kit/format-size";
import { useEditor } from "../workspace/workspace.client";
import { DepotPage } from "./depot-page";
import { GetFiles } from "./get-missing";
import { depotRows, kindsOf, type DepotRow, type Standing } from "./depot-rows";
import { useDepot } from "./depot.client";
import { Queue } from "./queue";

const standingWords: Readonly<Record<Standing, string>> = {
  here: "on the shelf",
  newer: "newer than here",
  "not-here": "not here",
};

/** What the depot offers: looked through, read about, got. */
export function DepotScreen() {
  const { mods, state, act } = useDepot();
  const shelf = useEditor((now) => now.view.stock.shelf);
  const [text, setText] = useState("");
  const [kind, setKind] = useState<string | null>(null);
  const [standing, setStanding] = useState<string | null>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  const wanted = useDeferredValue(text.trim().toLowerCase());
  const rows = useMemo(() => depotRows(mods ?? [], shelf), [mods, shelf]);
  const kinds = useMemo(() => kindsOf(rows), [rows]);
  const shown = useMemo(
    () =>
      rows.filter(
        (row) =>
          searchable(row).includes(wanted) &&
          (kind === null || row.newest.mod.tags.includes(kind)) &&
          (standing === null || row.standing === standing),
      ),
    [rows, wanted, kind, standing],
  );
  const row = rows.find(({ id }) => id === chosen) ?? null;
  const updates = rows.filter((each) => each.standing === "newer" && !each.newest.terms);
  return (
    <div className="flex h-full flex-col">
      <header className="border-line flex h-11 shrink-0 items-center gap-2 border-b px-3">
        <h1 className="text-lg font-bold">Depot</h1>
        <input
          type="search"
          value={text}
          onChange={(event) => setText(event.target.value)}
          placeholder="Search name, author, words…"
          aria-label="Search the depot"
          className={`${inputLook} ml-2 max-w-64`}
        />
        <Choose label="Kind" value={kind} onChoose={setKind}>
          {kinds.map(([each, count]) => (
            <option key={each} value={each}>
              {each} ({count})
            </option>
          ))}
        </Choose>
        <Choose label="Here or not" value={standing} onChoose={setStanding}>
          {Object.entries(standingWords).map(([each, words]) => (
            <option key={each} value={each}>
              {words} ({rows.filter((one) => one.standing === each).length})
            </option>
          ))}
        </Choose>
        <span className="text-ink2 font-mono text-sm" role="status">
          {shown.length} of {rows.length} shown
        </span>
        <span className="ml-auto flex items-center gap-2">
          {updates.length > 0 && (
            <GetFiles files={updates.map(({ newest }) => newest)}>
              Get {plural(updates.length, "newer version")}
            </GetFiles>
          )}
          {state && (
            <Button
              look={state.signedIn ? "quiet" : "plain"}
              onClick={() => void act(state.signedIn ? "sign-out" : "sign-in")}
            >
              {state.signedIn ? "Signed in: sign out" : "Sign in"}
            </Button>
          )}
        </span>
      </header>
      {mods?.length === 0 ? (
        <p className="text-ink2 p-5">
          No depot offers anything for this game. The one of the demo comes with{" "}
          <code className="font-mono text-sm">npm run demo</code>.
        </p>
      ) : (
        <div className="flex min-h-0 grow">
          <div className="flex min-w-0 grow flex-col">
            <List rows={shown} chosen={chosen} onChoose={setChosen} />
            <Queue />
          </div>
          <aside
            aria-label="Page"
            tabIndex={0}
            className="border-line bg-surface w-[320px] shrink-0 overflow-auto border-l p-3.5"
          >
            {row ? (
              <DepotPage row={row} rows={rows} onChoose={setChosen} />
            ) : (
              <p className="text-ink2">Select a mod to read its page.</p>
            )}
          </aside>
        </div>
      )}
    </div>
  );
}

const searchable = ({ newest: { mod, about } }: DepotRow): string =>
  `${mod.name} ${mod.author ?? ""} ${mod.tags.join(" ")} ${about}`.toLowerCase();

const rowHeight = 32;
const columns =
  "grid grid-cols-[minmax(0,1fr)_72px_110px_minmax(0,160px)_76px_112px] items-center gap-x-3 px-3";
const rowId = (id: string) => `depot-${id}`;

function List({
  rows,
  chosen,
  onChoose,
}: {
  rows: readonly DepotRow[];
  chosen: string | null;
  onChoose: (id: string) => void;
}) {
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeight,
    overscan: 12,
    scrollPaddingStart: rowHeight,
  });
  const at = rows.findIndex(({ id }) => id === chosen);
  const onKeyDown = (event: KeyboardEvent) => {
    const by = { ArrowDown: 1, ArrowUp: -1, PageDown: 15, PageUp: -15 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    const place = Math.max(0, Math.min(rows.length - 1, at + by));
    if (rows[place]) onChoose(rows[place].id);
    virtual.scrollToIndex(place, { align: "auto" });
  };
  return (
    <div
      ref={scroller}
      role="grid"
      aria-label="Mods in the depot"
      aria-rowcount={rows.length + 1}
      tabIndex={0}
      onKeyDown={onKeyDown}
      aria-activedescendant={at >= 0 ? rowId(chosen!) : undefined}
      className="min-h-0 grow overflow-auto focus-visible:outline-none"
    >
      <div
        role="row"
        className={`border-line bg-sunk text-ink2 sticky top-0 z-[2] h-8 border-b text-sm font-semibold ${columns}`}
      >
        {["Mod", "Version", "Author", "Kinds", "Size", "Here"].map((head) => (
          <span key={head} role="columnheader" className={head === "Size" ? "text-right" : ""}>
            {head}
          </span>
        ))}
      </div>
      {rows.length === 0 && <p className="text-ink2 p-4">Nothing in the depot fits.</p>}
      <div role="presentation" className="relative" style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map(({ index, start }) => {
          const { id, newest, standing } = rows[index]!;
          const { mod, terms } = newest;
          return (
            <div
              key={id}
              id={rowId(id)}
              role="row"
              aria-rowindex={index + 2}
              aria-selected={id === chosen}
              onClick={() => onChoose(id)}
              className={`border-line absolute left-0 w-full border-b ${columns} ${id === chosen ? "bg-pine-soft" : "bg-surface"}`}
              style={{ top: start, height: rowHeight }}
            >
              <span role="gridcell" className="truncate font-semibold">
                {mod.name}
              </span>
              <span role="gridcell" className="text-ink2 truncate font-mono text-sm">
                {mod.version}
              </span>
              <span role="gridcell" className="text-ink2 truncate">
                {mod.author}
              </span>
              <span role="gridcell" className="text-ink2 truncate">
                {mod.tags.join(", ")}
              </span>
              <span role="gridcell" className="text-ink2 text-right font-mono text-sm">
                {formatSize(mod.size)}
              </span>
              <span
                role="gridcell"
                className={`truncate ${standing === "newer" ? "text-saffron font-semibold" : standing === "here" ? "text-ink3" : "text-ink"}`}
              >
                {terms && standing !== "here" ? "by hand" : standingWords[standing]}
              </span>
            </div>
          );
        })}
      </div>
    </div>
  );
}
