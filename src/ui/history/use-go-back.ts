import { say } from "@/core/language/say";
import { useCallback } from "react";
import { goBack, goToEdit } from "../workspace/server";
import { useWorkspace } from "../workspace/workspace.client";
import { nameOfMoment, type Moment } from "./moments";

/** Makes the profile what it was at a moment, and says so. */
export function useGoBack(): (to: Moment) => Promise<void> {
  const { editor, unwrap, tell, refresh } = useWorkspace();
  return useCallback(
    async (to: Moment) => {
      await editor.settled();
      const { id, version } = editor.getState().profile;
      const outcome =
        to.kind === "point" ? await goBack(to.id, version) : await goToEdit(id, version, to.number);
      if (!unwrap(outcome)) return;
      await editor.reload();
      // Also which list is followed.
      refresh();
      tell([
        to.kind === "point"
          ? say("history.backAtUndoTakesYouForward", { what: to.what })
          : say("history.theProfileIsAsItWas", { nameOfMoment: nameOfMoment(to) }),
      ]);
    },
    [editor, unwrap, tell, refresh],
  );
}
