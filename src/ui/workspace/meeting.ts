import type { Overlaps } from "@/core/roster/overlaps";
import type { EditorState } from "./editor-state";

/** Who meets whom, as far as that is told anew. */
export type Meeting = Partial<Overlaps>;

export function stateMeeting(state: EditorState, told: Meeting): EditorState {
  const { roster } = state;
  return { ...state, roster: { ...roster, overlaps: { ...roster.overlaps, ...told } } };
}
