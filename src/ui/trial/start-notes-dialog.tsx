"use client";

import { useState, type FormEvent } from "react";
import { dropStartNote, writeStartNote } from "@/core/edit/start-notes";
import { say } from "@/core/language/say";
import { StartNote, startNoteKinds, type StartNoteKind } from "@/core/model/start-note";
import { Button } from "../kit/button";
import { Choice } from "../kit/choice";
import { Dialog } from "../kit/dialog";
import { Field } from "../kit/field";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { StartNoteText } from "./start-note-text";
import { useStartNotes } from "./use-start-notes";

/** All that is to be known at the start, by who says it, and the profile's own. */
export function StartNotesButton() {
  const [isOpen, open] = useState(false);
  return (
    <>
      <Button small look="quiet" onClick={() => open(true)}>
        {say("startNotes.notesDots")}
      </Button>
      <Dialog
        open={isOpen}
        onClose={() => open(false)}
        title={say("startNotes.notes")}
        hint={say("startNotes.hint")}
        size="medium"
        guide={{ page: "own-game" }}
      >
        {isOpen && (
          <>
            <Noted />
            <NoteForm />
          </>
        )}
      </Dialog>
    </>
  );
}

function Noted() {
  const { editor } = useWorkspace();
  const { notes } = useStartNotes();
  const own = useEditor((state) => state.profile.state.startNotes);
  const others = notes?.told.filter(({ from }) => from.kind !== "list") ?? [];
  if (own.length + others.length === 0) return null;
  return (
    <ul className="border-line divide-line mb-4 divide-y rounded-md border">
      {own.map((note) => (
        <li key={note.id} className="flex items-center gap-2 px-2.5 py-1.5">
          <span className="grow">
            <Kind kind={note.kind} /> {note.text} <span className="text-ink2">{note.how}</span>{" "}
            {note.keeps && <span className="text-ink3 text-sm">{say("startNotes.keeps")}</span>}
          </span>
          <Button
            small
            look="quiet"
            aria-label={say("startNotes.takeAway", { text: note.text })}
            onClick={() => editor.dispatch(dropStartNote(note))}
          >
            {say("plan.takeAway")}
          </Button>
        </li>
      ))}
      {others.map(({ key, note, from }) => (
        <li key={key} className="px-2.5 py-1.5">
          <Kind kind={note.kind} /> <StartNoteText note={note} from={from} />
        </li>
      ))}
    </ul>
  );
}

const Kind = ({ kind }: { kind: StartNoteKind }) => (
  <span className="text-ink2 font-semibold">{say(`startNotes.kind.${kind}`)}:</span>
);

function NoteForm() {
  const { editor } = useWorkspace();
  const [kind, setKind] = useState<StartNoteKind>("condition");
  const [text, setText] = useState("");
  const [how, setHow] = useState("");
  const [keeps, keep] = useState(false);
  const note = StartNote.safeParse({
    id: crypto.randomUUID(),
    kind,
    text,
    ...(how.trim() !== "" && { how }),
    ...(kind === "condition" && keeps && { keeps }),
  });
  const store = (event: FormEvent) => {
    event.preventDefault();
    if (!note.success) return;
    editor.dispatch(writeStartNote(note.data));
    setText("");
    setHow("");
  };
  return (
    <form onSubmit={store} aria-label={say("startNotes.own")} className="space-y-3">
      <div role="radiogroup" aria-label={say("startNotes.whatKind")} className="flex flex-wrap gap-4">
        {startNoteKinds.map((each) => (
          <Choice key={each} name="kind" checked={kind === each} onChoose={() => setKind(each)}>
            {say(`startNotes.kind.${each}`)}
          </Choice>
        ))}
      </div>
      <Field
        label={say("startNotes.text")}
        value={text}
        maxLength={500}
        onChange={(event) => setText(event.target.value)}
      />
      <Field
        label={say("startNotes.how")}
        value={how}
        maxLength={500}
        onChange={(event) => setHow(event.target.value)}
      />
      {kind === "condition" && (
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="accent-pine"
            checked={keeps}
            onChange={({ target }) => keep(target.checked)}
          />
          {say("startNotes.staysTicked")}
        </label>
      )}
      <div className="flex justify-end">
        <Button look="main" type="submit" disabled={!note.success}>
          {say("startNotes.add")}
        </Button>
      </div>
    </form>
  );
}
