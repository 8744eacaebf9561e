"use client";

import { DndContext, DragOverlay, PointerSensor, useSensor, useSensors } from "@dnd-kit/core";
import { defaultRangeExtractor, useVirtualizer, type Range } from "@tanstack/react-virtual";
import { useCallback, useEffect, useMemo, useRef, type MouseEvent } from "react";
import { findingTitle } from "@/core/messages/findings";
import type { Finding } from "@/core/model/finding";
import { barrierAt } from "@/core/profile/place";
import { switchPlugins } from "@/core/profile/edits";
import type { SeatedPlugin } from "@/core/profile/roster";
import { letterOf } from "@/core/profile/seats";
import { Say } from "../kit/sentence";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { bandHeight, rowHeight, slotAtHeight, type PlanRows } from "./plan-rows";
import { PluginRow, SectionBand, type RowMark } from "./plan-row";
import { gutterWidth, TieArcs } from "./tie-arcs";
import { barrierText, type Carry, type Carrying } from "./use-carry";
import { usePlanKeys } from "./use-plan-keys";

/** The dense list of plugins in order, with sticky section bands, arcs, and dragging by mouse and keyboard. */
export function PlanList({
  rows,
  carrying,
  onFold,
}: {
  rows: PlanRows;
  carrying: Carrying;
  onFold: (section: string) => void;
}) {
  const { editor } = useWorkspace();
  const { roster, ties, findings, selected, focused } = useEditor((state) => state);
  const scroller = useRef<HTMLDivElement>(null);
  const { carry, pickUp, hold, putDown, letGo } = carrying;
  const marks = useMemo(() => markRows(findings), [findings]);
  const bands = useMemo(() => rows.rows.flatMap((row, at) => (row.kind === "section" ? [at] : [])), [rows]);
  const activeBand = useRef(0);
  const carriedRow = carry ? rows.rowOf.get(carry.ids[0]!) : undefined;
  const virtual = useVirtualizer({
    count: rows.rows.length,
    getScrollElement: () => scroller.current,
    getItemKey: (at) => rows.rows[at]!.key,
    estimateSize: (at) => (rows.rows[at]!.kind === "section" ? bandHeight : rowHeight),
    overscan: 10,
    scrollPaddingStart: bandHeight,
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
  useEffect(() => virtual.measure(), [rows, virtual]);
  useEffect(() => {
    const at = focused === null ? undefined : rows.rowOf.get(focused);
    if (at !== undefined) virtual.scrollToIndex(at, { align: "auto" });
    // Also when the same item is selected anew, for then it is being looked for.
  }, [focused, selected, rows, virtual]);
  useEffect(() => {
    // A pointer scrolls the list itself, at its edges.
    if (carry?.by === "keyboard") virtual.scrollToIndex(carry.slots[carry.at]!.row, { align: "auto" });
  }, [carry, virtual]);

  const toggle = useCallback(
    (plugin: SeatedPlugin) => {
      const edit = switchPlugins(editor.getState().roster, [plugin.id], !plugin.loads);
      if (edit) editor.dispatch(edit);
    },
    [editor],
  );
  const onKeyDown = usePlanKeys(rows, carrying, toggle);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));
  useHoldAtPointer(scroller, rows, carry, hold);

  const select = (event: MouseEvent, id: string) => {
    if (event.shiftKey && focused !== null) return editor.select(between(rows, focused, id), id);
    if (event.ctrlKey || event.metaKey)
      return editor.select(
        selected.includes(id) ? selected.filter((each) => each !== id) : [...selected, id],
        id,
      );
    editor.select([id], id);
  };
  const chosen = useMemo(() => new Set(selected), [selected]);
  const carried = useMemo(() => new Set(carry?.ids), [carry?.ids]);
  const barred = useMemo(() => barredIds(carry), [carry]);
  return (
    <DndContext
      id="plan"
      autoScroll={nearEdges}
      sensors={sensors}
      accessibility={{ announcements: silent, screenReaderInstructions: { draggable: "" } }}
      onDragStart={({ active }) => {
        const id = String(active.id);
        const ids = chosen.has(id) ? selected : [id];
        if (!chosen.has(id)) editor.select([id], id);
        pickUp(ids, "pointer");
      }}
      onDragEnd={putDown}
      onDragCancel={letGo}
    >
      <div
        ref={scroller}
        role="grid"
        aria-label={rows.isRealOrder ? "Plugins in load order" : "Plugins, sorted to look at"}
        aria-rowcount={rows.rows.length}
        aria-multiselectable
        aria-activedescendant={focused !== null && rows.rowOf.has(focused) ? rowId(focused) : undefined}
        tabIndex={0}
        onKeyDown={onKeyDown}
        className="relative h-full overflow-auto focus-visible:outline-none"
      >
        <div role="presentation" className="relative" style={{ height: rows.tops.at(-1) }}>
          {rows.isRealOrder && <TieArcs roster={roster} ties={ties} rows={rows} selected={selected} />}
          {virtual.getVirtualItems().map(({ index, key, start, size }) => {
            const row = rows.rows[index]!;
            const sticky = index === activeBand.current;
            const place = sticky
              ? ({ position: "sticky", top: 0, zIndex: 3 } as const)
              : ({ position: "absolute", top: start, left: 0 } as const);
            const at = { ...place, width: "100%", height: size };
            if (row.kind === "section")
              return (
                <div key={key} role="row" aria-rowindex={index + 1} style={at}>
                  <SectionBand row={row} onFold={onFold} />
                </div>
              );
            const { id } = row.plugin;
            return (
              <div
                key={key}
                id={rowId(id)}
                role="row"
                aria-rowindex={index + 1}
                aria-selected={chosen.has(id)}
                style={at}
                onClick={(event) => select(event, id)}
              >
                <PluginRow
                  plugin={row.plugin}
                  sectionIndex={row.sectionIndex}
                  selected={chosen.has(id)}
                  focused={focused === id}
                  carried={carried.has(id)}
                  barred={barred.has(id)}
                  mark={marks.get(id) ?? null}
                  onToggle={toggle}
                />
              </div>
            );
          })}
          {carry && <DropLine carry={carry} rows={rows} />}
        </div>
      </div>
      <DragOverlay dropAnimation={null}>{carry && <CarriedChip carry={carry} />}</DragOverlay>
      <CarryBar carrying={carrying} rows={rows} />
    </DndContext>
  );
}

const rowId = (id: string): string => `plan-${encodeURIComponent(id)}`;

/** The list scrolls by itself within these shares of its height. */
const nearEdges = { threshold: { x: 0, y: 0.08 } };

const silent = {
  onDragStart: () => undefined,
  onDragOver: () => undefined,
  onDragEnd: () => undefined,
  onDragCancel: () => undefined,
};

/** The gravest finding of each plugin, for its row. */
function markRows(findings: readonly Finding[]): Map<string, RowMark> {
  const marks = new Map<string, RowMark>();
  for (const { level, id, subjects } of findings) {
    const first = subjects[0];
    if (first?.list !== "plugins" || marks.has(first.id)) continue;
    marks.set(first.id, { level, words: (findingTitle[id] ?? id).toLowerCase() });
  }
  return marks;
}

function between(rows: PlanRows, a: string, b: string): string[] {
  const [from, to] = [rows.rowOf.get(a) ?? 0, rows.rowOf.get(b) ?? 0].sort((x, y) => x - y);
  return rows.rows.slice(from, to! + 1).flatMap((row) => (row.kind === "plugin" ? [row.plugin.id] : []));
}

/** Rows beside which none of the carried items may be put down. */
function barredIds(carry: Carry | null): ReadonlySet<string> {
  if (!carry) return new Set();
  const { free } = carry;
  const isBarred = (gap: number) => gap < free.from || gap > free.to;
  return new Set(
    free.rest.filter((_, at) => isBarred(at) && isBarred(at + 1) && barrierAt(free, at) !== null),
  );
}

/** While items are dragged by mouse, holds them over the slot under the pointer, also while the list scrolls by itself. */
function useHoldAtPointer(
  scroller: React.RefObject<HTMLDivElement | null>,
  rows: PlanRows,
  carry: Carry | null,
  hold: (at: number) => void,
): void {
  const slots = carry?.slots;
  useEffect(() => {
    const list = scroller.current;
    if (!slots || !list) return;
    let y: number | null = null;
    const update = () => {
      if (y === null) return;
      const top = list.getBoundingClientRect().top;
      hold(slotAtHeight(slots, rows.tops, y - top + list.scrollTop));
    };
    const onMove = (event: PointerEvent) => {
      y = event.clientY;
      update();
    };
    window.addEventListener("pointermove", onMove);
    list.addEventListener("scroll", update);
    return () => {
      window.removeEventListener("pointermove", onMove);
      list.removeEventListener("scroll", update);
    };
  }, [scroller, rows, slots, hold]);
}

function DropLine({ carry, rows }: { carry: Carry; rows: PlanRows }) {
  const slot = carry.slots[carry.at]!;
  const barred = slot.barrier !== null;
  return (
    <div
      aria-hidden
      className={`pointer-events-none absolute right-0 z-[2] h-[3px] rounded ${barred ? "bg-brick" : "bg-saffron"}`}
      style={{ top: rows.tops[slot.row + 1]! - 2, left: gutterWidth }}
    />
  );
}

function CarriedChip({ carry }: { carry: Carry }) {
  return (
    <div className="border-saffron bg-saffron-soft text-ink ml-80 inline-flex h-8 items-center rounded-md border px-3 font-mono text-sm shadow-lg">
      {carry.ids.length === 1 ? carry.ids[0] : `${carry.ids.length} plugins`}
    </div>
  );
}

/** What is carried and where it would come to stand, or what bars it; also read out. */
function CarryBar({ carrying: { carry, said }, rows }: { carrying: Carrying; rows: PlanRows }) {
  const slot = carry?.slots[carry.at];
  const sections = useEditor((state) => state.roster.profile.state.plugins.sections);
  return (
    <>
      <div role="status" aria-live="assertive" className="sr-only">
        {said}
      </div>
      {carry && slot && (
        <div
          data-testid="carry"
          className={`absolute inset-x-4 bottom-3 z-10 flex items-baseline gap-4 rounded-md border px-3 py-2 shadow-lg ${slot.barrier ? "border-brick bg-brick-soft" : "border-saffron bg-saffron-soft"}`}
        >
          {slot.barrier ? (
            <span>
              <Say parts={barrierText(slot, carry)} />
            </span>
          ) : (
            <span>
              Carrying{" "}
              <b className="font-mono text-sm">
                {carry.ids.length === 1 ? carry.ids[0] : `${carry.ids.length} plugins`}
              </b>
              : {slotWords(rows, slot.row)} in{" "}
              {letterOf(sections.findIndex((each) => each.id === slot.section))}.
            </span>
          )}
          <span className="text-ink2 ml-auto shrink-0 text-sm">
            ↑ ↓ carry · Space puts down · Esc puts back
          </span>
        </div>
      )}
    </>
  );
}

function slotWords({ rows }: PlanRows, at: number): string {
  const row = rows[at]!;
  return row.kind === "section"
    ? `${row.collapsed ? "last" : "first"} of ${row.section.name}`
    : `after ${row.plugin.seat} ${row.plugin.id}`;
}
