import { useCallback } from "react";
import type { Contested } from "@/core/conflict/conflicts";
import { mostRows, type ConflictQuery, type ConflictSurvey } from "@/core/conflict/survey";
import { useAnswer } from "../workspace/use-answer";
import type { ConflictQuestion } from "../workspace/use-conflicts";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** The answer to a question of the profile's conflicts, asked anew where the profile or the stock changes; undefined before the first. */
export function useAskConflicts<T>(question: ConflictQuestion<T>) {
  const { conflicts } = useWorkspace();
  const state = useEditor(({ roster }) => roster.profile.state);
  const stock = useEditor(({ roster }) => roster.stock);
  const ask = useCallback(
    // What is asked of is what the editor shows then; these two say that it is something else.
    async () => (void state, void stock, { told: await conflicts.ask(question) }),
    [conflicts, question, state, stock],
  );
  const { answer, fault } = useAnswer(ask);
  return { answer: answer?.told, fault };
}

export function useSurvey(of: Contested, query: ConflictQuery) {
  const question: ConflictQuestion<ConflictSurvey> = useCallback(
    (jobs) => jobs.survey(of, query, mostRows),
    [of, query],
  );
  return useAskConflicts(question);
}
