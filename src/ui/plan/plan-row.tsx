"use client";

import { say } from "@/core/language/say";
import { rich } from "../kit/rich";
import { ChevronDown, ChevronRight, Lock } from "lucide-react";
import { memo, type CSSProperties } from "react";
import { rowInset, type GridColumn, type gridTemplate } from "../kit/grid/columns";
import { GridCells } from "../kit/grid/grid-cells";
import { sectionHue } from "../kit/hues";
import { SectionLetter } from "../kit/section-letter";
import type { PlanCells } from "./plan-columns";
import type { PlanRow } from "./plan-rows";
import { gutterWidth } from "./tie-arcs";
import { planInset } from "./use-plan-grid";

type BandRow = Extract<PlanRow, { kind: "section" }>;

export const SectionBand = memo(function SectionBand({
  row,
  onFold,
}: {
  row: BandRow;
  onFold: (section: string) => void;
}) {
  const Fold = row.collapsed ? ChevronRight : ChevronDown;
  return (
    <div
      role="gridcell"
      className="border-line bg-sunk flex h-full items-center gap-2 border-y"
      style={{ paddingLeft: gutterWidth }}
    >
      <button
        type="button"
        tabIndex={-1}
        aria-expanded={!row.collapsed}
        aria-label={`${row.collapsed ? say("plan.unfold") : say("plan.fold")} ${row.section.name}`}
        onClick={() => onFold(row.section.id)}
        className="text-ink3 hover:text-ink -ml-6 flex h-6 w-6 items-center justify-center"
      >
        <Fold size={14} aria-hidden />
      </button>
      <SectionLetter index={row.index} hue={row.section.hue} />
      <span className="truncate font-bold">{row.section.name}</span>
      <span className="text-ink2 font-mono text-sm">{row.count}</span>
      {row.section.closed && (
        <span className="text-ink2 flex items-center gap-1 text-sm">
          {rich("plan.closed", { lock: <Lock size={12} aria-hidden /> })}
        </span>
      )}
      {row.section.unseated && row.count > 0 && (
        <span className="text-saffron shrink-0 text-sm font-semibold">
          {say("plan.waitToBeSeated", { count: row.count })}
        </span>
      )}
      <span className="text-ink2 hidden truncate pr-3 text-sm @xl:inline">{row.section.guidance}</span>
    </div>
  );
});

/** Above what is gathered, for it does not load. */
export function OffBand({ count }: { count: number }) {
  return (
    <div
      role="gridcell"
      className="border-line bg-sunk flex h-full items-center gap-2 border-y"
      style={{ paddingLeft: gutterWidth }}
    >
      <span className="font-bold">{say("plan.off")}</span>
      <span className="text-ink2 font-mono text-sm">{count}</span>
      <span className="text-ink2 truncate text-sm">{say("plan.gatheredToBeLookedAtEach")}</span>
    </div>
  );
}

interface Props extends PlanCells {
  columns: readonly GridColumn<PlanCells>[];
  template: ReturnType<typeof gridTemplate>;
  sectionIndex: number;
  selected: boolean;
  focused: boolean;
  carried: boolean;
  barred: boolean;
}

const striped = "bg-[repeating-linear-gradient(135deg,var(--sunk)_0_6px,var(--line)_6px_7px)]";

// What is selected has a bar besides its tint, as in every grid.
const chosenBar =
  "before:bg-pine before:absolute before:inset-y-0 before:left-0 before:w-1 forced-colors:before:bg-[Highlight]";

/** The row of an item, within a group that says whether the keyboard is on it. */
export const ItemRow = memo(function ItemRow(props: Props) {
  const { columns, template, sectionIndex, selected, focused, carried, barred, ...cells } = props;
  const { item } = cells;
  const back = carried
    ? "bg-saffron-soft outline-saffron outline-1 -outline-offset-1 outline-dashed"
    : selected
      ? `bg-pine-soft ${chosenBar}`
      : barred
        ? striped
        : "bg-surface";
  return (
    <div
      data-item={item.id}
      className={`border-line relative grid h-full items-center border-b select-none ${back} ${focused ? "outline-pine -outline-offset-2 outline-2" : ""}`}
      style={{ ...template, paddingLeft: planInset, paddingRight: rowInset }}
    >
      <span
        aria-hidden
        className="section-edge absolute inset-y-0 w-1 forced-color-adjust-none"
        style={
          { left: gutterWidth, "--hue": sectionHue(item.section?.hue ?? sectionIndex).fill } as CSSProperties
        }
      />
      <GridCells columns={columns} row={cells} />
    </div>
  );
});
