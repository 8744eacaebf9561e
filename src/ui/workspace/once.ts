import type { ProfileEditor } from "./editor";
import type { EditorState } from "./editor-state";

/** Resolves with the editor's state as soon as it is as asked; with null where it has not become so within some seconds. */
export function once(
  editor: Pick<ProfileEditor, "getState" | "subscribe">,
  isSo: (state: EditorState) => boolean,
  seconds = 20,
): Promise<EditorState | null> {
  if (isSo(editor.getState())) return Promise.resolve(editor.getState());
  return new Promise((resolve) => {
    const end = (state: EditorState | null) => {
      clearTimeout(timer);
      stop();
      resolve(state);
    };
    const timer = setTimeout(() => end(null), seconds * 1000);
    const stop = editor.subscribe(() => {
      if (isSo(editor.getState())) end(editor.getState());
    });
  });
}
