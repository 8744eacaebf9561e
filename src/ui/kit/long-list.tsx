"use client";

import { useVirtualizer } from "@tanstack/react-virtual";
import { useRef, type ReactNode } from "react";

/** A list of rows of one height that scrolls by itself; only those in sight are drawn, so that thousands stay quick. */
export function LongList<T>({
  label,
  rows,
  keyOf,
  rowHeight = 30,
  rowLook = "flex items-center gap-3",
  className = "border-line mt-1 max-h-72 border-t",
  children,
}: {
  label: string;
  rows: readonly T[];
  keyOf: (row: T, at: number) => string;
  rowHeight?: number;
  rowLook?: string;
  className?: string;
  children: (row: T, at: number) => ReactNode;
}) {
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeight,
    overscan: 12,
  });
  return (
    <div
      ref={scroller}
      tabIndex={0}
      role="group"
      aria-label={label}
      className={`relative overflow-auto ${className}`}
    >
      <ul className="relative" style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map(({ index, start }) => {
          const row = rows[index]!;
          return (
            <li
              key={keyOf(row, index)}
              aria-setsize={rows.length}
              aria-posinset={index + 1}
              className={`border-line absolute left-0 w-full border-b ${rowLook}`}
              style={{ top: start, height: rowHeight }}
            >
              {children(row, index)}
            </li>
          );
        })}
      </ul>
    </div>
  );
}
