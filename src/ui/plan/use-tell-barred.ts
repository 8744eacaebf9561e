import { say } from "@/core/language/say";
import { useCallback } from "react";
import { takeAlong } from "@/core/edit/take-along";
import type { Sentence } from "@/core/messages/parts";
import { titleOf, type SeatedList } from "@/core/roster/roster";
import { useWorkspace } from "../workspace/workspace.client";

type TellBarred = (
  why: Sentence,
  ids: readonly string[],
  target: { readonly gap: number; readonly section: string | null },
) => void;

/** Tells why items cannot go somewhere, and offers to take along what bars them where nothing else does. */
export function useTellBarred(): TellBarred {
  const { editor, tell } = useWorkspace();
  return useCallback(
    (why, ids, { gap, section }) => {
      const { roster, lens, ties } = editor.getState();
      const along = takeAlong(roster.lists[lens], ties[lens], ids, gap, section);
      const run = () => {
        if (along && editor.getState().roster === roster) editor.dispatch(along.edit);
        else tell([say("plan.thePlanHasChangedSinceMove")], "wrong");
      };
      tell(why, "wrong", along && { word: alongWords(roster.lists[lens], along.ids), run });
    },
    [editor, tell],
  );
}

/** What taking items along is called. */
export function alongWords({ itemOf }: SeatedList, [first, ...others]: readonly string[]): string {
  const more = others.length > 0 ? say("common.andMore2", { count: others.length }) : "";
  return say("plan.takeAlong", { titleOf: titleOf(itemOf.get(first!)!), more });
}
