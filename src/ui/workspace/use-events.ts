import { say } from "@/core/language/say";
import { useEffect } from "react";
import type { ShelfChanges } from "@/server/events";
import type { ProfileEditor } from "./editor";
import { listenToServer, type WindowEvent } from "./events";
import { readOrderOnDisk } from "./server";
import type { Tell } from "./messages";

/** Milliseconds in which what a window has done itself is asked for by itself, and what happens at once is read once. */
const patience = 400;

/** Keeps what a window shows current with what other windows, the server and other programs do; `reach` reads up to a moment. */
export function useEvents(
  editor: ProfileEditor,
  tell: Tell,
  reach: (at: string) => Promise<void>,
  onShelfChanges: (changes: ShelfChanges) => void,
  onTrial: () => Promise<void>,
): void {
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const reachSoon = (at: string) => {
      clearTimeout(timer);
      timer = setTimeout(() => void reach(at), patience);
    };
    const readOrder = () =>
      void readOrderOnDisk().then((onDisk) => onDisk.ok && editor.setOnDisk(onDisk.value));
    const onEvent = (event: WindowEvent, at: string) => {
      const { profile, view } = editor.getState();
      switch (event.kind) {
        case "edited":
          if (event.profile === profile.id)
            return void editor
              .hearOf(event.version)
              .then((isNews) => isNews && tell([say("workspace.anotherWindowHasChangedThisProfile")]));
          if (event.shared && event.game === view.game.id) return void editor.hearOf(null);
          return;
        case "order-file":
          if (event.game === view.game.id) readOrder();
          return;
        case "depot":
          return;
        case "trial":
          return void (event.game === view.game.id && onTrial());
        case "shelf-changes":
          return onShelfChanges(event);
        case "stock":
          if (event.game === view.game.id) reachSoon(at);
          return;
        default:
          if (event.kind === "again") void editor.hearOf(null);
          reachSoon(at);
      }
    };
    const stop = listenToServer(editor.getState().view.at, onEvent);
    // Where folders cannot be watched, the file is looked at whenever the window is.
    const onFocus = () => document.visibilityState === "visible" && readOrder();
    window.addEventListener("focus", onFocus);
    return () => {
      stop();
      clearTimeout(timer);
      window.removeEventListener("focus", onFocus);
    };
  }, [editor, tell, reach, onShelfChanges, onTrial]);
}
