import { useSyncExternalStore } from "react";
import type { ProfileEditor } from "./editor";
import type { EditorState } from "./editor-state";

/** A part of an editor's state, where there is no workspace yet to have it of. */
export function useStateOf<T>(editor: ProfileEditor, select: (state: EditorState) => T): T {
  const read = () => select(editor.getState());
  return useSyncExternalStore(editor.subscribe, read, read);
}
