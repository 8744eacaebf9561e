"use client";

import {
  DndContext,
  DragOverlay,
  PointerSensor,
  useDraggable,
  useSensor,
  useSensors,
  type Modifier,
} from "@dnd-kit/core";
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
import { findingTitle } from "@/core/messages/findings";
import type { Finding } from "@/core/model/finding";
import type { ListName } from "@/core/model/profile";
import { switchItems } from "@/core/edit/edits";
import { notesOf } from "@/core/roster/notes";
import type { PlanSort } from "@/core/roster/plan-filter";
import { titleOf, type SeatedItem } from "@/core/roster/roster";
import { letterOf } from "@/core/roster/seats";
import type { GridCommand } from "../kit/grid/commands";
import { ListMenu, RowItems } from "../kit/grid/grid-menu";
import { Say } from "../kit/sentence";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { bandHeight, type PlanRows } from "./plan-rows";
import { headHeight, headingId, headingsOf, PlanHead, sortAfter } from "./plan-head";
import { ItemRow, OffBand, SectionBand, type RowMark } from "./plan-row";
import { gutterWidth, TieArcs } from "./tie-arcs";
import { movedBy } from "./remember-bar";
import { barrierText, type Carry, type Carrying } from "./use-carry";
import { useHoldAtPointer } from "./use-hold-at-pointer";
import { usePlanKeys } from "./use-plan-keys";
import { usePlanSelection } from "./use-plan-selection";

/** The dense list of plugins or mods in order, with sticky section bands, arcs, and dragging by mouse and keyboard. */
export function PlanList({
  rows,
  carrying,
  numbers,
  commands,
  onFold,
  sortBy,
  onSort,
}: {
  rows: PlanRows;
  carrying: Carrying;
  /** Shown beside the seats where they are wanted. */
  numbers: ReadonlyMap<string, number> | null;
  /** What can be done with what is selected. */
  commands: readonly GridCommand<SeatedItem>[];
  onFold: (section: string) => void;
  sortBy: PlanSort | null;
  onSort: (by: PlanSort | null) => void;
}) {
  const { editor } = useWorkspace();
  const { roster, lens, ties, findings, selected, focused } = useEditor((state) => state);
  const list = roster.lists[lens];
  const scroller = useRef<HTMLDivElement>(null);
  const { carry, pickUp, holdAtHeight, putDown, letGo } = carrying;
  const notes = useMemo(() => notesOf(roster, lens), [roster, lens]);
  const marks = useMemo(() => markRows(findings, lens), [findings, lens]);
  const bands = useMemo(() => rows.rows.flatMap((row, at) => (row.kind === "item" ? [] : [at])), [rows]);
  // Where bands stand, and how high rows are: nothing else decides where a row begins.
  const layout = `${rows.rowHeight} ${rows.rows.length} ${bands.join()}`;
  const headings = useMemo(() => headingsOf(lens, numbers !== null), [lens, numbers]);
  const [head, setHead] = useState<number | null>(null);
  const activeBand = useRef(0);
  const carriedRow = carry ? rows.rowOf.get(carry.ids[0]!) : undefined;
  const virtual = useVirtualizer({
    count: rows.rows.length,
    getScrollElement: () => scroller.current,
    // The same function as long as the rows are, or all of them would be measured with every drawing.
    getItemKey: useCallback((at: number) => rows.rows[at]!.key, [rows]),
    estimateSize: (at) => (rows.rows[at]!.kind === "item" ? rows.rowHeight : bandHeight),
    overscan: 10,
    // The headings stand above the rows, and stay in sight.
    scrollMargin: headHeight,
    scrollPaddingStart: headHeight + bandHeight,
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

  const toggle = useCallback(
    (item: SeatedItem) => {
      const edit = switchItems(editor.getState().roster, [item], !item.loads);
      if (edit) editor.dispatch(edit);
    },
    [editor],
  );
  const selecting = usePlanSelection(rows);
  const onKeyDown = usePlanKeys(rows, carrying, selecting, commands, onFold, {
    active: head,
    setActive: setHead,
    count: headings.length,
    press: (at) => onSort(sortAfter(headings[at]!, sortBy)),
  });
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));
  const holdAtPointer = useHoldAtPointer(scroller, holdAtHeight, carry?.by === "pointer");

  const select = ({ shiftKey, ctrlKey, metaKey }: ReactMouseEvent, id: string) => {
    setHead(null);
    selecting.onClick(id, { shiftKey, ctrlKey: ctrlKey || metaKey });
  };
  const onContextMenu = ({ target }: ReactMouseEvent) => {
    const id = (target as Element).closest<HTMLElement>("[data-item]")?.dataset.item;
    if (id !== undefined) selecting.onMenu(id);
  };
  const chosen = useMemo(() => new Set(selected), [selected]);
  const carried = useMemo(() => new Set(carry?.ids), [carry?.ids]);
  const barred = useMemo(() => barredIds(carry, rows), [carry, rows]);
  const isInSight = focused !== null && rows.rowOf.has(focused);
  const activeId = head !== null ? headingId(headings[head]!.column) : isInSight ? rowId(focused) : undefined;
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
            aria-label={`${listWords[lens]}${rows.isRealOrder ? " in load order" : ", sorted to look at"}`}
            aria-rowcount={rows.rows.length + 1}
            aria-colcount={headings.length}
            aria-multiselectable
            aria-activedescendant={activeId}
            onBlur={() => setHead(null)}
            tabIndex={0}
            onKeyDown={onKeyDown}
            className="@container relative h-full overflow-auto focus-visible:outline-none"
          >
            <PlanHead headings={headings} sortBy={sortBy} onSort={onSort} active={head} />
            <DragGround height={rows.tops.at(-1)!}>
              {rows.isRealOrder && <TieArcs list={list} ties={ties[lens]} rows={rows} selected={selected} />}
              {virtual.getVirtualItems().map(({ index, key, start, size }) => {
                const row = rows.rows[index]!;
                const sticky = index === activeBand.current;
                const place = sticky
                  ? ({ position: "sticky", top: headHeight, zIndex: 3 } as const)
                  : ({ position: "absolute", top: start - headHeight, left: 0 } as const);
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
                    onClick={(event) => select(event, id)}
                  >
                    <ItemRow
                      item={row.item}
                      sectionIndex={row.sectionIndex}
                      selected={chosen.has(id)}
                      focused={focused === id && head === null}
                      carried={carried.has(id)}
                      barred={barred.has(id)}
                      mark={marks.get(id) ?? null}
                      noted={notes.has(id)}
                      number={numbers?.get(id)}
                      onToggle={toggle}
                    />
                  </div>
                );
              })}
              {carry && <DropLine carry={carry} rows={rows} />}
            </DragGround>
          </div>
        </ContextMenu.Trigger>
        <ListMenu onClosed={() => scroller.current?.focus({ preventScroll: true })}>
          <RowItems commands={commands} rows={selected.map((id) => list.itemOf.get(id)!)} />
        </ListMenu>
      </ContextMenu.Root>
      <DragOverlay dropAnimation={null} modifiers={besidePointer}>
        {carry && <CarriedChip carry={carry} />}
      </DragOverlay>
      <CarryBar carrying={carrying} rows={rows} />
    </DndContext>
  );
}

const listWords: Record<ListName, string> = { plugins: "Plugins", mods: "Mods" };

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

/** What is carried hangs at the pointer, wherever on the ground it was picked up. */
const besidePointer: Modifier[] = [
  ({ activatorEvent, draggingNodeRect, transform }) => {
    // Asked on the server too, where there is no pointer.
    if (!activatorEvent || !draggingNodeRect) return transform;
    const { clientX, clientY } = activatorEvent as PointerEvent;
    return {
      ...transform,
      x: transform.x + clientX + 12 - draggingNodeRect.left,
      y: transform.y + clientY - 16 - draggingNodeRect.top,
    };
  },
];

const silent = {
  onDragStart: () => undefined,
  onDragOver: () => undefined,
  onDragEnd: () => undefined,
  onDragCancel: () => undefined,
};

/** The gravest finding of each item, for its row. */
function markRows(findings: readonly Finding[], lens: ListName): Map<string, RowMark> {
  const marks = new Map<string, RowMark>();
  for (const { level, id, subjects } of findings) {
    const first = subjects[0];
    if (first?.list !== lens || marks.has(first.id)) continue;
    marks.set(first.id, { level, words: findingTitle[id].toLowerCase() });
  }
  return marks;
}

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
    <div className="border-saffron bg-saffron-soft text-ink inline-flex h-8 items-center rounded-md border px-3 font-mono text-sm shadow-lg">
      <Carried carry={carry} />
    </div>
  );
}

function Carried({ carry: { ids } }: { carry: Carry }) {
  const { itemOf, name } = useEditor((state) => state.roster.lists[state.lens]);
  return ids.length === 1 ? titleOf(itemOf.get(ids[0]!)!) : `${ids.length} ${name}`;
}

/** What is carried and where it would come to stand, or what bars it; also read out. */
function CarryBar({ carrying: { carry, said }, rows }: { carrying: Carrying; rows: PlanRows }) {
  const slot = carry?.slots[carry.at];
  const { sections } = useEditor((state) => state.roster.lists[state.lens]);
  return (
    <>
      <div role="status" aria-live="assertive" className="sr-only">
        {said}
      </div>
      <MoveSaid />
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
                <Carried carry={carry} />
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

/** Where the last move by hand has led, also one by a key or to a typed seat, to be read out. */
function MoveSaid() {
  const words = useEditor(({ recent, roster }) => {
    const { list, ids } = movedBy(recent);
    const [first] = ids.map((id) => roster.lists[list].itemOf.get(id));
    return first ? `${titleOf(first)} stands at ${first.seat}.` : "";
  });
  return (
    <div role="status" aria-label="Last move" className="sr-only">
      {words}
    </div>
  );
}

function slotWords({ rows }: PlanRows, at: number): string {
  const row = rows[at]!;
  if (row.kind === "section") return `${row.collapsed ? "last" : "first"} of ${row.section.name}`;
  return row.kind === "item" ? `after ${row.item.seat} ${titleOf(row.item)}` : "";
}
