import { useEffect, useRef } from "react";
import type { ProfileEditor } from "./editor";
import { readDrift } from "./server";
import { useStateOf } from "./use-state-of";

/** Looks at what of the game's folder is not as Seating left it, whenever what is known of the disk is read anew and nothing is being done there. */
export function useDrift(editor: ProfileEditor, isBusy: boolean): void {
  const onDisk = useStateOf(editor, (state) => state.onDisk);
  const looked = useRef<unknown>(null);
  useEffect(() => {
    if (onDisk.laid === undefined || isBusy || looked.current === onDisk) return;
    let wanted = true;
    void readDrift().then((outcome) => {
      if (!wanted || !outcome.ok) return;
      const next = { ...onDisk, drift: outcome.value };
      looked.current = next;
      editor.setOnDisk(next);
    });
    return () => {
      wanted = false;
    };
  }, [editor, onDisk, isBusy]);
}
