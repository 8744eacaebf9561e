"use client";

import { useVirtualizer } from "@tanstack/react-virtual";
import { useRef } from "react";
import { formatSize } from "../kit/format-size";
import { useEditor } from "../workspace/workspace.client";

const rowHeight = 26;
const columns = "grid grid-cols-[36px_minmax(0,1fr)_80px_64px_112px] items-center gap-x-3 px-3";

/** What goes out: every mod in order, with the version and contents by which others match it. */
export function LineupContents() {
  const mods = useEditor((state) => state.roster.mods);
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: mods.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeight,
    overscan: 12,
  });
  return (
    <section aria-labelledby="contents" className="flex min-h-0 grow flex-col">
      <h2 id="contents" className="mb-1 font-bold">
        What it holds
      </h2>
      <div
        ref={scroller}
        role="table"
        aria-label="Mods in order"
        aria-rowcount={mods.length + 1}
        tabIndex={0}
        className="border-line min-h-40 grow overflow-auto border"
      >
        <div role="rowgroup">
          <div
            role="row"
            className={`border-line bg-sunk text-ink2 sticky top-0 z-[1] h-7 border-b text-sm font-semibold ${columns}`}
          >
            <span role="columnheader">No.</span>
            <span role="columnheader">Mod</span>
            <span role="columnheader">Version</span>
            <span role="columnheader" className="text-right">
              Size
            </span>
            <span role="columnheader">Contents</span>
          </div>
        </div>
        <div role="rowgroup" className="relative" style={{ height: virtual.getTotalSize() }}>
          {virtual.getVirtualItems().map(({ index, start }) => {
            const { id, loads: on, seat, mod } = mods[index]!;
            return (
              <div
                key={id}
                role="row"
                aria-rowindex={index + 2}
                className={`absolute w-full ${columns}`}
                style={{ top: start, height: rowHeight }}
              >
                <span role="cell" className="text-ink3 font-mono text-sm">
                  {seat}
                </span>
                <span
                  role="cell"
                  className={`truncate ${on && mod ? "font-semibold" : "text-ink3 line-through"}`}
                >
                  {mod?.name ?? id}
                </span>
                <span role="cell" className="text-ink2 truncate font-mono text-sm">
                  {mod?.version ?? "absent"}
                </span>
                <span role="cell" className="text-ink2 text-right font-mono text-sm">
                  {mod ? formatSize(mod.size) : ""}
                </span>
                <span role="cell" className="text-ink3 font-mono text-sm">
                  {mod?.content?.slice(0, 12) ?? ""}
                </span>
              </div>
            );
          })}
        </div>
      </div>
    </section>
  );
}
