import { say } from "@/core/language/say";
import { useCallback, useMemo, useRef, useState } from "react";
import { plainText, type Sentence } from "@/core/messages/parts";
import { sayRefusal } from "@/core/messages/refusals";
import { itemCount } from "@/core/messages/counts";
import { refuse } from "@/core/model/outcome";
import { freeGaps, placeEdit, refuseAt, type FreeGaps } from "@/core/edit/place";
import { takeAlong } from "@/core/edit/take-along";
import { seatAndTitle, titleOf, type SeatedItem, type SeatedList } from "@/core/roster/roster";
import { useWorkspace } from "../workspace/workspace.client";
import { findSlots, ownPlace, slotAtHeight, type PlanRows, type Slot } from "./plan-rows";
import { useTellBarred } from "./use-tell-barred";

export const notTheOrder = (): string => say("plan.notTheOrder");

/** Items picked up and not put down yet, by mouse or by keyboard. */
export interface Carry {
  readonly ids: readonly string[];
  readonly free: FreeGaps;
  readonly slots: readonly Slot[];
  /** Index of the slot over which they are held. */
  readonly at: number;
  readonly by: "pointer" | "keyboard";
}

export interface Carrying {
  readonly carry: Carry | null;
  readonly pickUp: (ids: readonly string[], by: Carry["by"]) => void;
  readonly hold: (at: number) => void;
  /** Holds what is carried by pointer over the slot at a height of the list; nothing otherwise. */
  readonly holdAtHeight: (height: number) => void;
  readonly putDown: () => void;
  /** Puts down what is carried with all that bars it there; as `putDown` where that is not enough. */
  readonly putDownAlong: () => void;
  readonly letGo: () => void;
  /** Whether all that would change hands is listed, and not only said. */
  readonly isListing: boolean;
  readonly turnListing: () => void;
  /** The last thing that happened, to be read out. */
  readonly said: string;
}

export function useCarry(rows: PlanRows): Carrying {
  const { editor, tell } = useWorkspace();
  const tellBarred = useTellBarred();
  const [carry, showCarry] = useState<Carry | null>(null);
  // What is held right now; a quick release must not drop where the last drawing was.
  const held = useRef<Carry | null>(null);
  const setCarry = useCallback((next: Carry | null) => {
    held.current = next;
    showCarry(next);
  }, []);
  const [said, setSaid] = useState("");
  const [isListing, setListing] = useState(false);
  const turnListing = useCallback(() => setListing((was) => !was), []);
  const name = useCallback((id: string) => seatAndTitle(editor.getState().roster, id), [editor]);

  const pickUp = useCallback(
    (ids: readonly string[], by: Carry["by"]) => {
      if (!rows.isRealOrder) return tell([notTheOrder()], "wrong");
      const { roster, lens, ties } = editor.getState();
      const list = roster.lists[lens];
      const inOrder = list.items.filter((item) => ids.includes(item.id));
      const fixed = inOrder.find((item) => item.fixed);
      if (inOrder.length === 0 || fixed) {
        if (fixed) tell(sayRefusal(refuse("built-in-stays", { item: fixed.id }).refusal), "wrong");
        return;
      }
      const made = startCarry(list, rows, inOrder, freeGaps(list, ties[lens], ids));
      setCarry({ ...made, by });
      setSaid(
        say("plan.pickedUp", {
          rest: made.ids.length === 1 ? name(made.ids[0]!) : itemCount(lens, made.ids.length),
        }),
      );
    },
    [editor, rows, tell, name, setCarry],
  );

  const hold = useCallback(
    (at: number) => {
      const now = held.current;
      const slot = now?.slots[at];
      if (!now || !slot || now.at === at) return;
      setSaid(slot.barrier ? plainText(barrierText(slot, now), name) : placeText(now, at, rows));
      setCarry({ ...now, at });
    },
    [name, rows, setCarry],
  );

  const holdAtHeight = useCallback(
    (height: number) => {
      if (held.current?.by === "pointer") hold(slotAtHeight(held.current.slots, rows.tops, height));
    },
    [hold, rows],
  );

  const letGo = useCallback(() => {
    setCarry(null);
    setSaid(say("plan.putBackWhereItWas"));
  }, [setCarry]);

  const putDown = useCallback(() => {
    const carry = held.current;
    setCarry(null);
    const { roster, lens, ties } = editor.getState();
    if (!carry) return;
    const slot = carry.slots[carry.at]!;
    if (slot.barrier) return tellBarred(barrierText(slot, carry), carry.ids, slot);
    const edit = placeEdit(roster.lists[lens], ties[lens], carry.ids, slot.gap, slot.section);
    if (!edit.ok) return tell(sayRefusal(edit.refusal), "wrong");
    if (edit.value) editor.dispatch(edit.value);
    setSaid(
      say("plan.putDown", {
        rest: carry.ids.length === 1 ? name(carry.ids[0]!) : itemCount(lens, carry.ids.length),
      }),
    );
  }, [editor, tell, tellBarred, name, setCarry]);

  const putDownAlong = useCallback(() => {
    const carry = held.current;
    const { roster, lens, ties } = editor.getState();
    const slot = carry?.slots[carry.at];
    const along = slot && takeAlong(roster.lists[lens], ties[lens], carry.ids, slot.gap, slot.section);
    if (!along) return putDown();
    setCarry(null);
    editor.dispatch(along.edit);
    setSaid(say("plan.putDown", { rest: itemCount(lens, carry.ids.length + along.ids.length) }));
  }, [editor, putDown, setCarry]);

  return useMemo(
    () => ({
      carry,
      pickUp,
      hold,
      holdAtHeight,
      putDown,
      putDownAlong,
      letGo,
      isListing,
      turnListing,
      said,
    }),
    [carry, pickUp, hold, holdAtHeight, putDown, putDownAlong, letGo, isListing, turnListing, said],
  );
}

/** Held where it stands: over the slot of the first of the items. */
function startCarry(
  list: SeatedList,
  rows: PlanRows,
  moving: readonly SeatedItem[],
  free: FreeGaps,
): Omit<Carry, "by"> {
  const slots = findSlots(rows, free, moving, list);
  const row = rows.rowOf.get(moving[0]!.id)!;
  const { at } = ownPlace(slots, free, moving, list);
  const nearest = slots.findLastIndex((slot) => slot.row < row);
  return { ids: moving.map((item) => item.id), free, slots, at: Math.max(0, at === -1 ? nearest : at) };
}

/** Why the items may not be put down at a slot. */
export function barrierText({ barrier, gap }: Slot, { free }: Carry): Sentence {
  return sayRefusal(refuseAt(barrier!, gap <= free.from ? "above" : "below").refusal);
}

/** Between which two rows the items would come to stand. */
function placeText({ slots }: Carry, at: number, { rows }: PlanRows): string {
  const row = rows[slots[at]!.row]!;
  if (row.kind === "section")
    return say("plan.atTheOf", { collapsed: String(row.collapsed), name: row.section.name });
  return row.kind === "item" ? say("plan.after", { seat: row.item.seat, titleOf: titleOf(row.item) }) : "";
}
