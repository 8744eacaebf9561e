import type { ListName, Note } from "../model/profile";
import type { Roster } from "./roster";

/** The notes of a list by item. */
export const notesOf = ({ profile }: Roster, list: ListName): Map<string, Note> =>
  new Map((profile.state.notes ?? []).filter((note) => note.list === list).map((note) => [note.item, note]));
