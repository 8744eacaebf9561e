import { useCallback, useEffect } from "react";
import { useAskOnLeave } from "../kit/use-ask-on-leave";
import type { ProfileEditor } from "./editor";
import { isStoring } from "./editor-state";
import { openOutbox, type Outbox } from "./outbox";

let opened: Promise<Outbox> | undefined;

/** What is pending outlives the page, is sent as soon as the browser is back on line, and leaving the page meanwhile asks. */
export function useOutbox(editor: ProfileEditor): void {
  useAskOnLeave(useCallback(() => isStoring(editor.getState()), [editor]));
  useEffect(() => {
    opened ??= openOutbox({
      storage: window.localStorage,
      session: window.sessionStorage,
      locks: navigator.locks,
    });
    let end: (() => void) | undefined;
    let ended = false;
    void opened.then(({ read, keep }) => {
      if (!ended) end = editor.keepPending(read(), keep);
    });
    const onLine = () => void editor.settled();
    window.addEventListener("online", onLine);
    return () => {
      ended = true;
      end?.();
      window.removeEventListener("online", onLine);
    };
  }, [editor]);
}
