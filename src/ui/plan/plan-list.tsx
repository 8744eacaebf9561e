"use client";

import { say } from "@/core/language/say";
import { DndContext, DragOverlay, PointerSensor, useDraggable, useSensor, useSensors } from "@dnd-kit/core";
import { defaultRangeExtractor, useVirtualizer, type Range } from "@tanstack/react-virtual";
import { ContextMenu } from "radix-ui";
import {
  useCallback,
  useEffect,
  useMemo,
  useRef,
  useState,
  type MouseEvent as ReactMouseEvent,
  type ReactNode,
} from "react";
import type { ListName } from "@/core/model/profile";
import type { SeatedItem } from "@/core/roster/roster";
import type { GridCommand } from "../kit/grid/commands";
import { gridTemplate } from "../kit/grid/columns";
import { GridHead, headHeight, headId } from "../kit/grid/grid-head";
import { GridMenu, type MenuOf } from "../kit/grid/grid-menu";
import { useTextScale } from "../kit/text-scale";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { besidePointer, CarriedChip, CarryBar, DropLine } from "./carry-bar";
import type { PlanRows } from "./plan-rows";
import { ItemRow, OffBand, SectionBand } from "./plan-row";
import { TieArcs } from "./tie-arcs";
import type { Carry, Carrying } from "./use-carry";
import { useHoldAtPointer } from "./use-hold-at-pointer";
import { planInset, type PlanGrid } from "./use-plan-grid";
import { usePlanKeys } from "./use-plan-keys";
import { usePlanSelection } from "./use-plan-selection";

/** The dense list of plugins or mods in order, with sticky section bands, arcs, and dragging by mouse and keyboard. */
export function PlanList({
  rows,
  carrying,
  grid,
  commands,
  onFold,
}: {
  rows: PlanRows;
  carrying: Carrying;
  grid: PlanGrid;
  /** What can be done with what is selected. */
  commands: readonly GridCommand<SeatedItem>[];
  onFold: (section: string) => void;
}) {
  const { editor } = useWorkspace();
  const { roster, lens, ties, selected, focused } = useEditor((state) => state);
  const list = roster.lists[lens];
  const scroller = useRef<HTMLDivElement>(null);
  const { carry, pickUp, holdAtHeight, putDown, letGo } = carrying;
  const bands = useMemo(() => rows.rows.flatMap((row, at) => (row.kind === "item" ? [] : [at])), [rows]);
  // Where bands stand, and how high rows are: nothing else decides where a row begins.
  const layout = `${rows.rowHeight} ${rows.rows.length} ${bands.join()}`;
  const { shown, cellsOf } = grid;
  const scale = useTextScale();
  const above = headHeight * scale;
  const template = useMemo(() => gridTemplate(shown, scale), [shown, scale]);
  const label = `${listWords[lens]}${rows.isRealOrder ? say("plan.inLoadOrder") : say("plan.sortedToLookAt")}`;
  const [menu, setMenu] = useState<MenuOf>({ of: "rows" });
  const [head, setHead] = useState<number | null>(null);
  const activeBand = useRef(0);
  const carriedRow = carry ? rows.rowOf.get(carry.ids[0]!) : undefined;
  const virtual = useVirtualizer({
    count: rows.rows.length,
    getScrollElement: () => scroller.current,
    // The same function as long as the rows are, or all of them would be measured with every drawing.
    getItemKey: useCallback((at: number) => rows.rows[at]!.key, [rows]),
    estimateSize: (at) => (rows.rows[at]!.kind === "item" ? rows.rowHeight : rows.bandHeight),
    overscan: 10,
    // The headings stand above the rows, and stay in sight.
    scrollMargin: above,
    scrollPaddingStart: above + rows.bandHeight,
    rangeExtractor: useCallback(
      (range: Range) => {
        activeBand.current = bands.findLast((at) => at <= range.startIndex) ?? 0;
        const wanted = [
          activeBand.current,
          ...(carriedRow === undefined ? [] : [carriedRow]),
          ...defaultRangeExtractor(range),
        ];
        return [...new Set(wanted)].sort((a, b) => a - b);
      },
      [bands, carriedRow],
    ),
  });
  useEffect(() => virtual.measure(), [layout, virtual]);
  useEffect(() => {
    const at = focused === null ? undefined : rows.rowOf.get(focused);
    if (at !== undefined) virtual.scrollToIndex(at, { align: "auto" });
    // Also when the same item is selected anew, for then it is being looked for.
  }, [focused, selected, rows, virtual]);
  useEffect(() => {
    // A pointer scrolls the list itself, at its edges.
    if (carry?.by === "keyboard") virtual.scrollToIndex(carry.slots[carry.at]!.row, { align: "auto" });
  }, [carry, virtual]);

  const selecting = usePlanSelection(rows);
  const onKeyDown = usePlanKeys(rows, carrying, selecting, commands, onFold, {
    ...grid,
    columns: shown,
    head,
    setHead,
  });
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));
  const beside = useMemo(() => [besidePointer(scroller)], []);
  const holdAtPointer = useHoldAtPointer(scroller, above, holdAtHeight, carry?.by === "pointer");

  const select = ({ shiftKey, ctrlKey, metaKey }: ReactMouseEvent, id: string) => {
    setHead(null);
    selecting.onClick(id, { shiftKey, ctrlKey: ctrlKey || metaKey });
  };
  const onContextMenu = ({ target }: ReactMouseEvent) => {
    const column = (target as Element).closest<HTMLElement>("[data-column]")?.dataset.column;
    const id = (target as Element).closest<HTMLElement>("[data-item]")?.dataset.item;
    setMenu(column === undefined ? { of: "rows" } : { of: "column", id: column });
    if (id !== undefined) selecting.onMenu(id);
  };
  const chosen = useMemo(() => new Set(selected), [selected]);
  const carried = useMemo(() => new Set(carry?.ids), [carry?.ids]);
  const barred = useMemo(() => barredIds(carry, rows), [carry, rows]);
  const isInSight = focused !== null && rows.rowOf.has(focused);
  const activeId = head !== null ? headId(label, shown[head]!.id) : isInSight ? rowId(focused) : undefined;
  return (
    <DndContext
      id="plan"
      // Its own waits for a pointer that still moves; one that rests at an edge before the first drawing never scrolls.
      autoScroll={false}
      sensors={sensors}
      accessibility={{ announcements: silent, screenReaderInstructions: { draggable: "" } }}
      onDragStart={({ activatorEvent }) => {
        const id = rowUnder(activatorEvent);
        if (id === null) return;
        const ids = chosen.has(id) ? selected : [id];
        if (!chosen.has(id)) editor.select([id], id);
        pickUp(ids, "pointer");
        holdAtPointer();
      }}
      onDragEnd={() => {
        holdAtPointer();
        putDown();
      }}
      onDragCancel={letGo}
    >
      <ContextMenu.Root>
        <ContextMenu.Trigger asChild onContextMenu={onContextMenu}>
          <div
            ref={scroller}
            role="grid"
            aria-label={label}
            aria-rowcount={rows.rows.length + 1}
            aria-colcount={shown.length}
            aria-multiselectable
            aria-activedescendant={activeId}
            onBlur={() => setHead(null)}
            tabIndex={0}
            onKeyDown={onKeyDown}
            className="@container relative h-full overflow-auto focus-visible:outline-none"
          >
            <GridHead
              {...grid}
              label={label}
              columns={shown}
              template={template}
              active={head}
              inset={planInset}
            />
            <DragGround height={rows.tops.at(-1)!}>
              {rows.isRealOrder && <TieArcs list={list} ties={ties[lens]} rows={rows} selected={selected} />}
              {virtual.getVirtualItems().map(({ index, key, start, size }) => {
                const row = rows.rows[index]!;
                const sticky = index === activeBand.current;
                const place = sticky
                  ? ({ position: "sticky", top: above, zIndex: 3 } as const)
                  : ({ position: "absolute", top: start - above, left: 0 } as const);
                const at = { ...place, width: "100%", height: size };
                if (row.kind !== "item")
                  return (
                    <div key={key} role="row" aria-rowindex={index + 2} style={at}>
                      {row.kind === "off" ? (
                        <OffBand count={row.count} />
                      ) : (
                        <SectionBand row={row} onFold={onFold} />
                      )}
                    </div>
                  );
                const { id } = row.item;
                return (
                  <div
                    key={key}
                    id={rowId(id)}
                    role="row"
                    aria-rowindex={index + 2}
                    aria-selected={chosen.has(id)}
                    data-active={(focused === id && head === null) || undefined}
                    style={at}
                    className="group/row"
                    onClick={(event) => select(event, id)}
                  >
                    <ItemRow
                      {...cellsOf(row.item)}
                      columns={shown}
                      template={template}
                      sectionIndex={row.sectionIndex}
                      selected={chosen.has(id)}
                      focused={focused === id && head === null}
                      carried={carried.has(id)}
                      barred={barred.has(id)}
                    />
                  </div>
                );
              })}
              {carry && <DropLine carry={carry} rows={rows} />}
            </DragGround>
          </div>
        </ContextMenu.Trigger>
        <GridMenu
          {...grid}
          menu={menu}
          commands={commands}
          rows={selected.map((id) => list.itemOf.get(id)!)}
          onClosed={() => scroller.current?.focus({ preventScroll: true })}
        />
      </ContextMenu.Root>
      <DragOverlay dropAnimation={null} modifiers={beside}>
        {carry && <CarriedChip carry={carry} />}
      </DragOverlay>
      <CarryBar carrying={carrying} rows={rows} />
    </DndContext>
  );
}

const listWords: Record<ListName, string> = {
  get plugins() {
    return say("common.plugins2");
  },
  get mods() {
    return say("common.mods");
  },
};

const rowId = (id: string): string => `plan-${encodeURIComponent(id)}`;

/** All rows are dragged by one handle, the ground on which they lie, so that a drag does not draw each of them anew. */
function DragGround({ height, children }: { height: number; children: ReactNode }) {
  const { listeners, setNodeRef } = useDraggable({ id: "rows" });
  return (
    <div ref={setNodeRef} role="presentation" className="relative" style={{ height }} {...listeners}>
      {children}
    </div>
  );
}

const rowUnder = ({ target }: Event): string | null =>
  target instanceof Element ? (target.closest<HTMLElement>("[data-item]")?.dataset.item ?? null) : null;

const silent = {
  onDragStart: () => undefined,
  onDragOver: () => undefined,
  onDragEnd: () => undefined,
  onDragCancel: () => undefined,
};

/** Rows beside which none of the carried items may be put down. */
function barredIds(carry: Carry | null, { rows }: PlanRows): ReadonlySet<string> {
  if (!carry) return new Set();
  const barred = new Set<string>();
  carry.slots.forEach(({ row, barrier }, at) => {
    const here = rows[row]!;
    const before = carry.slots[at - 1];
    if (here.kind === "item" && barrier && before?.barrier !== null) barred.add(here.item.id);
  });
  return barred;
}
