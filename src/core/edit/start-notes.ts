import type { Edit } from "../model/edit";
import type { StartNote } from "../model/start-note";
import { label } from "./steps";

export const writeStartNote = (note: StartNote): Edit => ({
  label: label("start-note", { name: note.text.slice(0, 60) }),
  steps: [{ kind: "decide", facet: "startNotes", key: note.id, item: note }],
});

export const dropStartNote = ({ id, text }: Pick<StartNote, "id" | "text">): Edit => ({
  label: label("drop-start-note", { name: text.slice(0, 60) }),
  steps: [{ kind: "decide", facet: "startNotes", key: id, item: null }],
});
