import { say } from "../language/say";
import type { ReportDifference } from "../blend/report-differences";
import type { MarkSuggestion } from "../blend/suggestions";
import type { BlendChoice, Marks } from "../model/additive-list";
import type { BlendReport } from "../model/blend-report";

/** What of a plugin's lists counts, in words; null where nobody has marked it. */
export function marksText(marks: Marks | null): string {
  if (marks === null) return say("blend.marks.none");
  if (marks === "never") return say("blend.marks.never");
  return marks.map((act) => say(`blend.marks.${act}`)).join(", ") || say("blend.marks.nothing");
}

/** What was decided, without what it was decided to. */
export function blendChoiceText(choice: BlendChoice): string {
  switch (choice.kind) {
    case "recipe":
      return say("blend.choice.recipe");
    case "winner":
      return say("blend.choice.winner", { record: choice.record, name: choice.name });
    case "over":
      return say("blend.choice.over", { record: choice.record });
    case "leave":
      return say("blend.choice.leave", { record: choice.record });
  }
}

export const clashText = ({ record, name, by, won }: BlendReport["clashes"][number]): string =>
  say("blend.clash", { record, name, by: by.join(", "), won });

export const leftText = ({ record, why }: BlendReport["left"][number]): string =>
  say(`blend.leftBecause.${why}`, { record });

/** What a plugin does that nobody lets count. */
export const suggestionText = ({ removes, changes }: MarkSuggestion): string =>
  say("blend.suggestion", { removes, changes });

/** By what a report differs from an earlier one. */
export function reportDifferenceText(difference: ReportDifference): string {
  switch (difference.kind) {
    case "came":
    case "went":
      return say(`blend.difference.${difference.kind}`, { plugin: difference.plugin });
    case "version": {
      const { plugin, before, after } = difference;
      return say("blend.difference.version", { plugin, before: before ?? "–", after: after ?? "–" });
    }
    case "marks": {
      const { plugin, before, after } = difference;
      return say("blend.difference.marks", { plugin, before: marksText(before), after: marksText(after) });
    }
    case "entries": {
      const { plugin, before, after } = difference;
      return say("blend.difference.entries", { plugin, before, after });
    }
    case "clash": {
      const { record, name, before, after } = difference;
      if (after === null) return say("blend.difference.noClash", { record, name });
      return before === null
        ? say("blend.difference.clash", { record, name, won: after })
        : say("blend.difference.won", { record, name, before, after });
    }
    case "left": {
      const { record, after } = difference;
      return after === null ? say("blend.difference.blended", { record }) : leftText({ record, why: after });
    }
  }
}
