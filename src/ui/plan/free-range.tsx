"use client";

import { useMemo } from "react";
import { rangeInAnyOrder } from "@/core/order/ranges";
import { freeGaps, openRuns } from "@/core/edit/place";
import type { SeatedItem } from "@/core/roster/roster";
import { numbersOf } from "@/core/roster/sheet";
import { numberEdit } from "@/core/edit/numbers";
import { NumberField } from "../kit/number-field";
import { Part } from "../kit/part";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

function rangeWords(
  runs: readonly { readonly from: number; readonly to: number }[],
  place: number,
  seatAt: (gap: number) => string,
): string {
  const [only, ...more] = runs;
  if (!only) return "No seat keeps all its ties while the others stay";
  if (more.length === 0 && only.from === only.to && only.from === place)
    return "May sit only here while the others stay";
  const words = runs.map(({ from, to }) =>
    from === to ? `at ${seatAt(from)}` : `from ${seatAt(from)} to ${seatAt(to)}`,
  );
  return `May sit ${words.join(", or ")} while the others stay`;
}

/** Where an item may go while all others stay, and in any order that keeps its ties. */
export function FreeRange({ item }: { item: SeatedItem }) {
  const list = useEditor((state) => state.roster.lists[item.list]);
  const ties = useEditor((state) => state.ties[item.list]);
  const runs = openRuns(list, freeGaps(list, ties, [item.id]), [item]);
  const any = useMemo(() => rangeInAnyOrder(ties.constraints, item.place), [ties, item.place]);
  const number = useMemo(() => numbersOf(list).find((each) => each.id === item.id)?.number, [list, item.id]);
  const weight =
    list.numbers.find((each) => each.list === item.list && each.of === "item" && each.id === item.id)
      ?.number ?? null;
  const { editor } = useWorkspace();
  const total = list.items.length;
  const seatAt = (gap: number) => list.items[gap]?.seat ?? "";
  const share = (place: number) => `${(100 * place) / Math.max(1, total - 1)}%`;
  const words = rangeWords(runs, item.place, seatAt);
  return (
    <Part title={words}>
      <div className="border-line bg-sunk relative h-5 overflow-hidden rounded border" aria-hidden>
        {runs.map(({ from, to }) => (
          <span
            key={from}
            className="border-pine bg-pine-soft absolute inset-y-0 border-x-2 forced-colors:bg-[Highlight]"
            style={{ left: share(from), width: share(to - from) }}
          />
        ))}
        <span
          className="bg-saffron absolute inset-y-0 w-[3px] forced-colors:bg-[CanvasText]"
          style={{ left: share(item.place) }}
        />
      </div>
      <div className="text-ink3 mt-0.5 flex justify-between font-mono text-sm" aria-hidden>
        <span>{seatAt(0)}</span>
        <span>{seatAt(total - 1)}</span>
      </div>
      <p className="text-ink2 mt-1">
        In any order that keeps its ties: place {any.first + 1} to {any.last + 1} of {total}.
      </p>
      <p className="text-ink2 mt-1 flex items-center gap-2">
        Number in a sheet: <span className="font-mono">{number}</span>
        <span className="ml-auto">weight</span>
        <NumberField
          key={`${item.list} ${item.id}`}
          className="w-28"
          label="Weight in its tier"
          value={weight}
          placeholder="worked out"
          onStore={(next) => editor.dispatch(numberEdit({ list: item.list, of: "item", id: item.id }, next))}
        />
      </p>
    </Part>
  );
}
