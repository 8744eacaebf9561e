"use client";

import { say } from "@/core/language/say";
import { rich } from "../kit/rich";
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
  if (!only) return say("plan.noSeatKeepsAllItsTies");
  if (more.length === 0 && only.from === only.to && only.from === place)
    return say("plan.maySitOnlyHereWhileThe");
  const words = runs.map(({ from, to }) =>
    from === to
      ? say("plan.at", { seatAt: seatAt(from) })
      : say("plan.fromTo", { seatAt: seatAt(from), seatAt2: seatAt(to) }),
  );
  return say("plan.maySitWhileTheOthersStay", { words: words.join(say("plan.or")) });
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
        {say("plan.inAnyOrderThatKeepsIts", { first: any.first + 1, last: any.last + 1, total })}
      </p>
      <p className="text-ink2 mt-1 flex items-center gap-2">
        {rich("plan.numberInASheet", { text: <span className="font-mono">{number}</span> })}
        <span className="ml-auto">{say("plan.weight")}</span>
        <NumberField
          key={`${item.list} ${item.id}`}
          className="w-28"
          label={say("plan.weightInItsTier")}
          value={weight}
          placeholder={say("plan.workedOut")}
          onStore={(next) => editor.dispatch(numberEdit({ list: item.list, of: "item", id: item.id }, next))}
        />
      </p>
    </Part>
  );
}
