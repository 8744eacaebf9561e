import type { MarkSuggestion } from "../blend/suggestions";
import { adviceKey, type Advice } from "../model/advice";
import type { Edit } from "../model/edit";
import { label } from "./steps";

const aboutOf = ({ on }: Advice): string => ("mod" in on ? on.mod : on.plugin);

/** Writes down what is known, in the place of what was said of the same before: `instead` of another piece, where that is changed. */
export function writeAdvice(advice: Advice, instead: Advice | null = null): Edit {
  const key = adviceKey(advice);
  const old = instead && adviceKey(instead) !== key ? dropAdvice(instead).steps : [];
  return {
    label: label("write-advice", { item: aboutOf(advice) }),
    steps: [...old, { kind: "decide", facet: "advice", key, item: advice }],
  };
}

/** Several pieces about one thing at once, as a page says them. */
export const writeAllAdvice = (all: readonly Advice[]): Edit => ({
  label: label("write-advice", { item: all[0] ? aboutOf(all[0]) : "" }),
  steps: all.map((advice) => ({ kind: "decide", facet: "advice", key: adviceKey(advice), item: advice })),
});

export const dropAdvice = (advice: Advice): Edit => ({
  label: label("drop-advice", { item: aboutOf(advice) }),
  steps: [{ kind: "decide", facet: "advice", key: adviceKey(advice), item: null }],
});

/** Marks plugins as it is suggested, in the curator's name. */
export const acceptMarks = (suggestions: readonly MarkSuggestion[]): Edit =>
  writeAllAdvice(suggestions.map(({ plugin, marks }) => ({ kind: "marks", on: { plugin }, marks })));
