import type { Edit } from "../model/edit";
import type { Note } from "../model/profile";
import { noteKey } from "../state/facets";
import { label } from "./steps";

/** Writes a note in the place of what the item had. */
export const writeNote = (note: Note): Edit => ({
  label: label("write-note", { item: note.item }),
  steps: [{ kind: "decide", facet: "notes", key: noteKey(note), item: note }],
});

export const dropNote = (note: Note): Edit => ({
  label: label("drop-note", { item: note.item }),
  steps: [{ kind: "decide", facet: "notes", key: noteKey(note), item: null }],
});
