"use client";

import { originName } from "@/core/order/write-result";
import { useMemo } from "react";
import { isBroken, type DirectTie, type TieIndex } from "@/core/roster/ties";
import type { SeatedList } from "@/core/roster/roster";
import type { PlanRows } from "./plan-rows";

export const gutterWidth = 62;

/** Height of a row, in which the reach of an arc is reckoned; lower rows change nothing about it. */
const plainRow = 32;

interface Arc {
  readonly tie: DirectTie;
  readonly from: number;
  readonly to: number;
  readonly broken: boolean;
}

/** Ties drawn beside the list: those of the selection, and all that are broken. Must is solid, prefer dashed. */
export function TieArcs({
  list,
  ties,
  rows,
  selected,
}: {
  list: SeatedList;
  ties: TieIndex;
  rows: PlanRows;
  selected: readonly string[];
}) {
  const arcs = useMemo(() => findArcs(list, ties, rows, selected), [list, ties, rows, selected]);
  return (
    <svg
      aria-hidden
      width={gutterWidth}
      height={rows.tops.at(-1)}
      className="pointer-events-none absolute top-0 left-0 z-[1]"
    >
      {arcs.map((arc) => (
        <ArcPath key={`${arc.tie.earlier}>${arc.tie.later}>${originName(arc.tie.because)}`} arc={arc} />
      ))}
    </svg>
  );
}

function ArcPath({ arc: { tie, from, to, broken } }: { arc: Arc }) {
  const right = gutterWidth - 4;
  const reach = 6 + Math.min(44, 8 * Math.log2(1 + Math.abs(to - from) / plainRow));
  const middle = (from + to) / 2;
  const width = tie.strength === "must" ? 1.6 : 1.2;
  const look = {
    fill: "none",
    stroke: broken ? "var(--brick)" : "var(--pine)",
    strokeWidth: width,
    strokeDasharray: tie.strength === "must" ? undefined : "4 3",
  };
  const left = right - reach;
  const bend = Math.min(Math.abs(to - from) / 2, 26) * Math.sign(to - from);
  const gap = broken ? 7 * Math.sign(to - from) : 0;
  return (
    <g>
      <path
        {...look}
        d={`M${right} ${from} C${left} ${from} ${left} ${from + bend} ${left} ${from + bend} L${left} ${middle - gap}`}
      />
      <path
        {...look}
        d={`M${left} ${middle + gap} L${left} ${to - bend} C${left} ${to - bend} ${left} ${to} ${right} ${to}`}
      />
      <circle cx={right} cy={to} r="2.6" fill={look.stroke} />
    </g>
  );
}

function findArcs(
  { itemOf }: SeatedList,
  ties: TieIndex,
  rows: PlanRows,
  selected: readonly string[],
): Arc[] {
  const placeOf = (id: string) => itemOf.get(id)!.place;
  const chosen = new Set(selected.flatMap((id) => ties.of(id)));
  const arcs: Arc[] = [];
  for (const tie of ties.all) {
    const broken = isBroken(tie, placeOf);
    // What is built in comes before everything anyway; an arc to it from every row would only hide the others.
    const { fixed } = itemOf.get(tie.earlier)!;
    if (fixed || (!broken && !chosen.has(tie))) continue;
    const [from, to] = [rows.rowOf.get(tie.earlier), rows.rowOf.get(tie.later)];
    if (from === undefined || to === undefined) continue;
    const centre = (row: number) => rows.tops[row]! + rows.rowHeight / 2;
    arcs.push({ tie, from: centre(from), to: centre(to), broken });
  }
  return arcs;
}
