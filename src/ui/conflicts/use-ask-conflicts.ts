import { useCallback, useMemo } from "react";
import type { Contested } from "@/core/conflict/conflicts";
import { mostRows, type ConflictQuery, type ConflictSurvey } from "@/core/conflict/survey";
import { useAnswer } from "../workspace/use-answer";
import type { ConflictQuestion } from "../workspace/use-conflicts";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** The answer to a question of the profile's conflicts, asked anew where the profile or the stock changes. */
export function useAskConflicts<T>(question: ConflictQuestion<T>) {
  const { conflicts } = useWorkspace();
  const state = useEditor(({ roster }) => roster.profile.state);
  const stock = useEditor(({ roster }) => roster.stock);
  const ask = useCallback(
    // What is asked of is what the editor shows then; these two say that it is something else.
    () => (void state, void stock, conflicts.ask(question)),
    [conflicts, question, state, stock],
  );
  return useAnswer(ask);
}

export function useSurvey(of: Contested, query: ConflictQuery) {
  const question: ConflictQuestion<ConflictSurvey> = useCallback(
    (jobs, profile) => jobs.survey(profile, of, query, mostRows),
    [of, query],
  );
  return useAskConflicts(question);
}

/** Reads rows of figures into what can be looked up. */
export const useFiguresById = (survey: ConflictSurvey | null) =>
  useMemo(() => new Map(survey?.items.map((item) => [item.id, item])), [survey]);
