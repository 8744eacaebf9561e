"use client";

import { itemCount } from "@/core/messages/counts";
import { say } from "@/core/language/say";
import { useDeferredValue, useId, useMemo, useState, type FormEvent } from "react";
import { plainText } from "@/core/messages/parts";
import { sayRefusal } from "@/core/messages/refusals";
import { placeEdit } from "@/core/edit/place";
import { stateAfter } from "@/core/edit/steps";
import { takeAlong } from "@/core/edit/take-along";
import { seatAndTitle, titleOf } from "@/core/roster/roster";
import { findTarget, seatAtTarget } from "@/core/roster/seat-target";
import { HandChanges } from "../conflicts/hand-changes";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { Field } from "../kit/field";
import type { EditorState } from "../workspace/editor-state";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { alongWords } from "./use-tell-barred";

/** Sends what is selected to a typed seat. */
export function MoveToDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  const selected = useEditor((state) => state.selected);
  const roster = useEditor((state) => state.roster);
  const lens = useEditor((state) => state.lens);
  const [first] = selected.map((id) => roster.lists[lens].itemOf.get(id));
  const what = selected.length === 1 && first ? titleOf(first) : itemCount(lens, selected.length);
  return (
    <Dialog
      open={open}
      onClose={onClose}
      title={say("plan.moveToASeat", { what })}
      hint={say("plan.aSeatAsC4AfterOr")}
      guide={{ page: "correct-and-remember" }}
    >
      <MoveToForm onClose={onClose} />
    </Dialog>
  );
}

/** The edit that a phrase asks for, and in words where it leads or what bars it. */
function findMove({ roster, lens, ties, selected }: EditorState, text: string) {
  const list = roster.lists[lens];
  const target = findTarget(list, text, selected);
  const edit = target.ok
    ? placeEdit(list, ties[lens], selected, target.value.gap, target.value.section)
    : target;
  if (!target.ok || !edit.ok) {
    const refused = target.ok ? edit : target;
    const why = refused.ok ? [] : sayRefusal(refused.refusal);
    const along = target.ok && takeAlong(list, ties[lens], selected, target.value.gap, target.value.section);
    return {
      edit,
      words: plainText(why, (id) => seatAndTitle(roster, id)),
      along: along ? { edit: along.edit, words: alongWords(list, along.ids) } : null,
    };
  }
  const rest = list.items.filter((item) => !selected.includes(item.id));
  const above = rest[target.value.gap - 1];
  const seat = seatAtTarget(list, target.value, selected);
  return {
    edit,
    along: null,
    words: above
      ? say("plan.toAfter", { seat, seat2: above.seat, titleOf: titleOf(above) })
      : say("plan.toBeforeAllOthers", { seat }),
  };
}

function MoveToForm({ onClose }: { onClose: () => void }) {
  const { editor } = useWorkspace();
  const [seat, setSeat] = useState("");
  const said = useId();
  const state = useEditor((now) => now);
  const wanted = useDeferredValue(seat);
  const found = useMemo(() => (wanted.trim() === "" ? null : findMove(state, wanted)), [state, wanted]);
  const then = useMemo(
    () => (found?.edit.ok && found.edit.value ? stateAfter(state.profile.state, found.edit.value) : null),
    [found, state.profile.state],
  );
  const move = (event: FormEvent) => {
    event.preventDefault();
    const { edit } = findMove(editor.getState(), seat);
    if (!edit.ok) return;
    if (edit.value) editor.dispatch(edit.value);
    onClose();
  };
  const moveAlong = () => {
    const { along } = findMove(editor.getState(), seat);
    if (!along) return;
    editor.dispatch(along.edit);
    onClose();
  };
  return (
    <form onSubmit={move} className="space-y-3">
      <Field
        label={say("plan.whereTo")}
        value={seat}
        onChange={(event) => setSeat(event.target.value)}
        placeholder={say("plan.c4OrAfterTidalCore")}
        autoFocus
        aria-describedby={said}
        aria-invalid={found?.edit.ok === false}
        className="border-line h-9 w-full rounded-md border px-2.5 font-mono"
      />
      <p
        id={said}
        role="status"
        className={`min-h-10 ${found?.edit.ok === false ? "text-brick" : "text-ink2"}`}
      >
        {found?.words}
      </p>
      <HandChanges state={then} />
      <div className="flex flex-wrap justify-end gap-2">
        {found?.along && <Button onClick={moveAlong}>{found.along.words}</Button>}
        <Button look="quiet" onClick={onClose}>
          {say("common.cancel")}
        </Button>
        <Button look="main" type="submit" disabled={seat.trim() === ""}>
          {say("plan.move")}
        </Button>
      </div>
    </form>
  );
}
