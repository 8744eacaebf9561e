import { useCallback } from "react";
import type { Fix } from "@/core/model/finding";
import { askForSureWays, askForWays } from "../../work/ask";
import type { EditorState } from "../workspace/editor-state";
import { dayOf } from "@/core/day-of";
import { useAnswer } from "../workspace/use-answer";
import { useEditor } from "../workspace/workspace.client";

const around = ({ onDisk }: Pick<EditorState, "onDisk">) => ({ onDisk, today: dayOf(new Date()) });

/** What ways out would come to, in their order; null before it is known. */
export function useWays(fixes: readonly Fix[]) {
  const roster = useEditor((state) => state.roster);
  const onDisk = useEditor((state) => state.onDisk);
  const wanted = JSON.stringify(fixes.map(({ does }) => ({ does })));
  const question = useCallback(async () => {
    const asked = JSON.parse(wanted) as Pick<Fix, "does">[];
    const ways =
      asked.length === 0
        ? []
        : await askForWays(roster.game, roster.stock, roster, around({ onDisk }), asked);
    return ways && { wanted, ways };
  }, [roster, onDisk, wanted]);
  const { answer } = useAnswer(question);
  return answer?.wanted === wanted ? answer.ways : null;
}

/** All that is sure, taken together; null before it is known, "none" where nothing is. */
export function useSureWays() {
  const roster = useEditor((state) => state.roster);
  const onDisk = useEditor((state) => state.onDisk);
  const question = useCallback(
    () => askForSureWays(roster.game, roster.stock, roster, around({ onDisk })),
    [roster, onDisk],
  );
  const { answer, isCurrent } = useAnswer(question);
  return isCurrent ? answer : null;
}
