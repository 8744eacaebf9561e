"use client";

import { useState, type FormEvent } from "react";
import { plainText } from "@/core/messages/parts";
import { sayRefusal } from "@/core/messages/refusals";
import { placeEdit } from "@/core/profile/place";
import { seatAndTitle, titleOf } from "@/core/profile/roster";
import { findTarget } from "@/core/profile/seat-target";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { Field } from "../kit/field";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** Sends what is selected to a typed seat. */
export function MoveToDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  const selected = useEditor((state) => state.selected);
  const roster = useEditor((state) => state.roster);
  const lens = useEditor((state) => state.lens);
  const [first] = selected.map((id) => roster.lists[lens].itemOf.get(id));
  const what = selected.length === 1 && first ? titleOf(first) : `${selected.length} ${lens}`;
  return (
    <Dialog
      open={open}
      onClose={onClose}
      title={`Move ${what} to a seat`}
      hint="A seat as C4, “after” or “before” and a name or seat, “start of C” or “end of C”, or a number of a sheet: ten for each section."
    >
      <MoveToForm onClose={onClose} />
    </Dialog>
  );
}

function MoveToForm({ onClose }: { onClose: () => void }) {
  const { editor } = useWorkspace();
  const [seat, setSeat] = useState("");
  const [wrong, setWrong] = useState<string | null>(null);
  const move = (event: FormEvent) => {
    event.preventDefault();
    const { roster, lens, ties, selected } = editor.getState();
    const list = roster.lists[lens];
    const name = (id: string) => seatAndTitle(roster, id);
    const target = findTarget(list, seat, selected);
    const edit = target.ok
      ? placeEdit(list, ties[lens], selected, target.value.gap, target.value.section)
      : target;
    if (!edit.ok) return setWrong(plainText(sayRefusal(edit.refusal), name));
    if (edit.value) editor.dispatch(edit.value);
    onClose();
  };
  return (
    <form onSubmit={move} className="space-y-3">
      <Field
        label="Where to"
        value={seat}
        onChange={(event) => setSeat(event.target.value)}
        placeholder="C4, or after Tidal Core"
        autoFocus
        className="border-line h-9 w-full rounded-md border px-2.5 font-mono"
      />
      {wrong && (
        <p role="alert" className="text-brick">
          {wrong}
        </p>
      )}
      <div className="flex justify-end gap-2">
        <Button look="quiet" onClick={onClose}>
          Leave it
        </Button>
        <Button look="main" type="submit" disabled={seat.trim() === ""}>
          Move
        </Button>
      </div>
    </form>
  );
}
