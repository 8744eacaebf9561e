import { say } from "@/core/language/say";
import { useCallback } from "react";
import { switchMods } from "@/core/edit/edits";
import { countNeeded, neededToo, switchOnWithNeeds } from "@/core/edit/needed-too";
import { neededWords, sayNeeded } from "@/core/messages/needed-too";
import type { ShelfMod } from "@/core/model/shelf";
import { useTellConflicts } from "../conflicts/use-tell-conflicts";
import { useWorkspace } from "../workspace/workspace.client";

/** Where many are switched at once, what was done is told, and a restore point is made before it. */
export type SwitchMods = (mods: readonly ShelfMod[], on: boolean, many?: boolean) => void;

/** Switches mods of the shelf. Of those that go on it tells what they need that is not on, and with what they clash. */
export function useSwitchMods(): SwitchMods {
  const { editor, tell, refresh } = useWorkspace();
  const tellConflicts = useTellConflicts();
  return useCallback(
    (mods, on, many = false) => {
      const edit = switchMods(editor.getState().roster, mods, on);
      const restorePoint = say("shelf.beforeSwitchingMods", { count: mods.length, on: String(on) });
      if (!edit || !editor.dispatch(many ? { ...edit, restorePoint } : edit).ok) return;
      const done = many ? say("shelf.switchedUndoTakesItBack", { count: mods.length, on: String(on) }) : null;
      const { roster } = editor.getState();
      const too = on ? neededToo(roster, mods) : null;
      const needed = too && sayNeeded(roster, mods, too);
      const run = () => {
        const along = switchOnWithNeeds(editor.getState().roster, mods);
        if (along) editor.dispatch(along);
      };
      if (needed)
        tell(
          [done, needed].filter(Boolean).map((words, at) => (at > 0 ? ` ${words}` : words!)),
          "wrong",
          countNeeded(roster, too) > 0
            ? { word: say("shelf.switchOn", { neededWords: neededWords(roster, mods.length, too) }), run }
            : null,
        );
      else if (done) tell([done]);
      else if (on && mods.length === 1) tellConflicts(mods[0]!.id);
      // The restore point that was made before it is listed by the server.
      if (many) void editor.settled().then(refresh);
    },
    [editor, tell, refresh, tellConflicts],
  );
}
