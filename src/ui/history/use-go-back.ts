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
      const outcome = await editor.changedBy<unknown>(({ id, version }) =>
        to.kind === "point" ? goBack(to.id, version) : goToEdit(id, version, to.number),
      );
      if (!unwrap(outcome)) return;
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
