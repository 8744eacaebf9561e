import { useMemo } from "react";
import type { Marked } from "@/core/blend/marks";
import { dropAdvice, writeAdvice } from "@/core/edit/advice";
import { say } from "@/core/language/say";
import type { Marks } from "@/core/model/additive-list";
import { useWorkspace } from "../workspace/workspace.client";

interface MarkChoice {
  /** Where plugins are listed. */
  readonly key: string;
  readonly id: "adds" | "all" | "never" | "told";
  /** Null: as it is told elsewhere. */
  readonly marks: Marks | null;
}

/** What a curator marks a plugin with. */
export const markChoices: readonly MarkChoice[] = [
  { key: "1", id: "adds", marks: ["adds"] },
  { key: "2", id: "all", marks: ["adds", "removes", "changes"] },
  { key: "3", id: "never", marks: "never" },
  { key: "0", id: "told", marks: null },
];

/** Who marks it; empty where nobody does. */
export function sourceText(marked: Marked | null): string {
  if (!marked) return "";
  const { source } = marked;
  return source.by === "book" ? say("blend.by.book", { book: source.book }) : say(`blend.by.${source.by}`);
}

/** Says as the curator what of a plugin's lists counts; null: nothing of one's own. */
export function useMark() {
  const { editor } = useWorkspace();
  return useMemo(
    () => (plugin: string, marks: Marks | null) => {
      const own = editor
        .getState()
        .roster.profile.state.advice.find(
          ({ kind, on }) => kind === "marks" && "plugin" in on && on.plugin === plugin,
        );
      if (marks !== null) editor.dispatch(writeAdvice({ kind: "marks", on: { plugin }, marks }));
      else if (own) editor.dispatch(dropAdvice(own));
    },
    [editor],
  );
}
