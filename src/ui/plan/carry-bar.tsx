import { say } from "@/core/language/say";
import type { Modifier } from "@dnd-kit/core";
import { useMemo, type RefObject } from "react";
import { placeEdit } from "@/core/edit/place";
import { stateAfter } from "@/core/edit/steps";
import { takeAlong } from "@/core/edit/take-along";
import { titleOf } from "@/core/roster/roster";
import { letterOf } from "@/core/roster/seats";
import { Say } from "../kit/sentence";
import { useEditor } from "../workspace/workspace.client";
import { HandList, HandsSaid, useHandChanges } from "../conflicts/hand-changes";
import type { PlanRows, Slot } from "./plan-rows";
import { movedBy } from "./remember-bar";
import { gutterWidth } from "./tie-arcs";
import { barrierText, type Carry, type Carrying } from "./use-carry";
import { alongWords } from "./use-tell-barred";

/** What is carried hangs at the pointer, wherever on the ground it was picked up, and stays within the list. */
export const besidePointer =
  (list: RefObject<HTMLElement | null>): Modifier =>
  ({ activatorEvent, draggingNodeRect, overlayNodeRect, transform }) => {
    // Asked on the server too, where there is no pointer.
    if (!activatorEvent || !draggingNodeRect || !list.current) return transform;
    const { clientX, clientY } = activatorEvent as PointerEvent;
    const room = list.current.getBoundingClientRect();
    const { width = 0, height = 0 } = overlayNodeRect ?? {};
    const within = (at: number, from: number, to: number) => Math.max(from, Math.min(at, to));
    const x = within(transform.x + clientX + 12, room.left, room.right - width);
    const y = within(transform.y + clientY - 16, room.top, room.bottom - height);
    return { ...transform, x: x - draggingNodeRect.left, y: y - draggingNodeRect.top };
  };

export function DropLine({ carry, rows }: { carry: Carry; rows: PlanRows }) {
  const slot = carry.slots[carry.at]!;
  const barred = slot.barrier !== null;
  return (
    <div
      aria-hidden
      className={`pointer-events-none absolute right-0 z-[2] h-[3px] rounded forced-colors:bg-[Highlight] ${barred ? "bg-brick" : "bg-saffron"}`}
      style={{ top: rows.tops[slot.row + 1]! - 2, left: gutterWidth }}
    />
  );
}

export function CarriedChip({ carry }: { carry: Carry }) {
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
export function CarryBar({
  carrying: { carry, said, isListing },
  rows,
}: {
  carrying: Carrying;
  rows: PlanRows;
}) {
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
              <Say parts={barrierText(slot, carry)} /> <TakeAlong carry={carry} />
            </span>
          ) : (
            <span>
              {say("plan.carrying")}
              <b className="font-mono text-sm">
                <Carried carry={carry} />
              </b>
              {say("plan.in3", { slotWords: slotWords(rows, slot.row) })}
              {letterOf(sections.findIndex((each) => each.id === slot.section))}.{" "}
              <HandsWhenPutDown carry={carry} slot={slot} isListing={isListing} />
            </span>
          )}
          <span className="text-ink2 ml-auto shrink-0 text-sm">{say("plan.carrySpacePutsDownEscPuts")}</span>
        </div>
      )}
    </>
  );
}

/** Which winners change if it is put down there; by its key all of them. */
function HandsWhenPutDown({ carry, slot, isListing }: { carry: Carry; slot: Slot; isListing: boolean }) {
  const list = useEditor((state) => state.roster.lists[state.lens]);
  const ties = useEditor((state) => state.ties[state.lens]);
  const { state } = useEditor(({ profile }) => profile);
  const then = useMemo(() => {
    const edit = placeEdit(list, ties, carry.ids, slot.gap, slot.section);
    return edit.ok && edit.value ? stateAfter(state, edit.value) : null;
  }, [list, ties, state, carry.ids, slot]);
  const summary = useHandChanges(then);
  if (!summary) return null;
  return (
    <>
      <span role="status" data-testid="hands">
        <HandsSaid summary={summary} />
      </span>
      {isListing && <HandList summary={summary} />}
      {summary.files + summary.records > 0 && (
        <span className="text-ink2 text-sm"> {say("plan.carryListsHands")}</span>
      )}
    </>
  );
}

/** Where the last move by hand has led, also one by a key or to a typed seat, to be read out. */
function MoveSaid() {
  const words = useEditor(({ recent, roster }) => {
    const { list, ids } = movedBy(recent);
    const [first] = ids.map((id) => roster.lists[list].itemOf.get(id));
    return first ? say("plan.standsAt", { titleOf: titleOf(first), seat: first.seat }) : "";
  });
  return (
    <div role="status" aria-label={say("plan.lastMove")} className="sr-only">
      {words}
    </div>
  );
}

/** What would have to come along, and by which key or act it does. */
function TakeAlong({ carry }: { carry: Carry }) {
  const list = useEditor((state) => state.roster.lists[state.lens]);
  const ties = useEditor((state) => state.ties[state.lens]);
  const { gap, section } = carry.slots[carry.at]!;
  const along = useMemo(
    () => takeAlong(list, ties, carry.ids, gap, section),
    [list, ties, carry.ids, gap, section],
  );
  if (!along) return null;
  const words = alongWords(list, along.ids);
  return carry.by === "keyboard" ? (
    <b>T: {words}.</b>
  ) : (
    <span className="text-ink2">{say("plan.putDownHereIsOffered", { words })}</span>
  );
}

function slotWords({ rows }: PlanRows, at: number): string {
  const row = rows[at]!;
  if (row.kind === "section")
    return say("plan.of2", { collapsed: String(row.collapsed), name: row.section.name });
  return row.kind === "item" ? say("plan.after2", { seat: row.item.seat, titleOf: titleOf(row.item) }) : "";
}
