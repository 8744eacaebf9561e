import type { Edit } from "../model/edit";
import type { Note } from "../model/profile";
import { label } from "./steps";

/** Writes a note in the place of what the item had. */
export const writeNote = (note: Note): Edit => ({
  label: label("write-note", { item: note.item }),
  steps: [{ kind: "note", list: note.list, item: note.item, note }],
});

export const dropNote = ({ list, item }: Note): Edit => ({
  label: label("drop-note", { item }),
  steps: [{ kind: "note", list, item, note: null }],
});
