import { say } from "../language/say";
import type { BlendChoice, Marks } from "../model/additive-list";

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
