"use client";

import { useMemo } from "react";
import { rangeInAnyOrder } from "@/core/order/ranges";
import { freeGaps } from "@/core/edit/place";
import type { SeatedItem } from "@/core/roster/roster";
import { numbersOf } from "@/core/roster/seat-target";
import { Part } from "../kit/part";
import { useEditor } from "../workspace/workspace.client";

/** Where an item may go while all others stay, and in any order that keeps its ties. */
export function FreeRange({ item }: { item: SeatedItem }) {
  const list = useEditor((state) => state.roster.lists[item.list]);
  const ties = useEditor((state) => state.ties[item.list]);
  const free = freeGaps(list, ties, [item.id]);
  const any = useMemo(() => rangeInAnyOrder(ties.constraints, item.place), [ties, item.place]);
  const number = useMemo(() => numbersOf(list).find((each) => each.id === item.id)?.number, [list, item.id]);
  const total = list.items.length;
  const seatAt = (gap: number) => list.items[gap]?.seat ?? "";
  const share = (place: number) => `${(100 * place) / Math.max(1, total - 1)}%`;
  const wide = free.from < free.to;
  const words = wide
    ? `May sit from ${seatAt(free.from)} to ${seatAt(free.to)} while the others stay`
    : free.from === free.to
      ? "May sit only here while the others stay"
      : "No seat keeps all its ties while the others stay";
  return (
    <Part title={words}>
      <div className="border-line bg-sunk relative h-5 overflow-hidden rounded border" aria-hidden>
        {wide && (
          <span
            className="border-pine bg-pine-soft absolute inset-y-0 border-x-2"
            style={{ left: share(free.from), width: share(free.to - free.from) }}
          />
        )}
        <span className="bg-saffron absolute inset-y-0 w-[3px]" style={{ left: share(item.place) }} />
      </div>
      <div className="text-ink3 mt-0.5 flex justify-between font-mono text-xs" aria-hidden>
        <span>{seatAt(0)}</span>
        <span>{seatAt(total - 1)}</span>
      </div>
      <p className="text-ink2 mt-1">
        In any order that keeps its ties: place {any.first + 1} to {any.last + 1} of {total}. Its number is{" "}
        <span className="font-mono">{number}</span>, at ten for each section.
      </p>
    </Part>
  );
}
