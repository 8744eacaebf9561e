"use client";

import { say } from "@/core/language/say";
import { day } from "../kit/moment";
import { useState, type FormEvent } from "react";
import { z } from "zod";
import { dropNote, writeNote } from "@/core/edit/notes";
import { notesOf } from "@/core/roster/notes";
import type { SeatedItem } from "@/core/roster/roster";
import { Button } from "../kit/button";
import { EarlierDraft } from "../kit/earlier-draft";
import { Field } from "../kit/field";
import { Part } from "../kit/part";
import { useDraft } from "../kit/use-draft";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** Under which name this browser's user last signed a note. */
const authorKey = "seating-note-author";

/** What somebody wrote about the item, with name and date, to be written, changed and taken away. */
export function ItemNote({ item }: { item: SeatedItem }) {
  const { editor } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const note = notesOf(roster, item.list).get(item.id);
  const [writing, setWriting] = useState(false);
  if (writing)
    return <NoteForm key={item.id} item={item} text={note?.text ?? ""} onClose={() => setWriting(false)} />;
  if (!note)
    return (
      <Button small look="quiet" className="-ml-2" onClick={() => setWriting(true)}>
        {say("plan.writeANote")}
      </Button>
    );
  return (
    <Part title={say("common.note")}>
      <p className="break-words whitespace-pre-wrap">{note.text}</p>
      <p className="text-ink3 mt-0.5 text-sm">
        {note.author && `${note.author}, `}
        <time dateTime={note.at} suppressHydrationWarning>
          {day(note.at)}
        </time>
      </p>
      <div className="mt-1 -ml-2 flex">
        <Button small look="quiet" onClick={() => setWriting(true)}>
          {say("common.change")}
        </Button>
        <Button small look="quiet" onClick={() => editor.dispatch(dropNote(note))}>
          {say("plan.takeAway")}
        </Button>
      </div>
    </Part>
  );
}

function NoteForm({ item, text, onClose }: { item: SeatedItem; text: string; onClose: () => void }) {
  const { editor } = useWorkspace();
  const profile = useEditor((state) => state.profile.id);
  const draft = useDraft(`note-${profile}-${item.id}`, text, z.string());
  const [author, setAuthor] = useState(() => localStorage.getItem(authorKey) ?? "");
  const store = (event: FormEvent) => {
    event.preventDefault();
    localStorage.setItem(authorKey, author.trim());
    const at = new Date().toISOString();
    const words = { text: draft.value.trim(), author: author.trim() };
    editor.dispatch(writeNote({ list: item.list, item: item.id, ...words, at }));
    close();
  };
  const close = () => {
    draft.forget();
    onClose();
  };
  return (
    <form onSubmit={store} className="space-y-2">
      {draft.isEarlier && <EarlierDraft onDiscard={draft.discard} />}
      <label className="block">
        <span className="text-ink2 mb-1 block text-sm font-semibold">{say("common.note")}</span>
        <textarea
          value={draft.value}
          onChange={(event) => draft.setValue(event.target.value)}
          maxLength={2000}
          rows={4}
          autoFocus
          placeholder={say("plan.whatItDoesAndWhyIt")}
          className="border-line bg-surface placeholder:text-ink3 w-full rounded-md border px-2.5 py-1.5"
        />
      </label>
      <Field
        label={say("plan.writtenBy")}
        value={author}
        maxLength={120}
        placeholder={say("plan.yourNameIfYouLike")}
        onChange={(event) => setAuthor(event.target.value)}
      />
      <div className="flex justify-end gap-2">
        <Button small look="quiet" onClick={close}>
          {say("common.cancel")}
        </Button>
        <Button small type="submit" disabled={draft.value.trim() === ""}>
          {say("plan.storeTheNote")}
        </Button>
      </div>
    </form>
  );
}
