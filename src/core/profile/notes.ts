import type { Edit } from "../model/edit";
import type { ListName, Note } from "../model/profile";
import type { Roster } from "./roster";
import { label } from "./steps";

/** The notes of a list by item. */
export const notesOf = ({ profile }: Roster, list: ListName): Map<string, Note> =>
  new Map((profile.state.notes ?? []).filter((note) => note.list === list).map((note) => [note.item, note]));

/** Writes a note in the place of what the item had. */
export const writeNote = (note: Note): Edit => ({
  label: label("write-note", { item: note.item }),
  steps: [{ kind: "note", list: note.list, item: note.item, note }],
});

export const dropNote = ({ list, item }: Note): Edit => ({
  label: label("drop-note", { item }),
  steps: [{ kind: "note", list, item, note: null }],
});
