import { say } from "../language/say";
import type { Marks } from "../model/additive-list";

/** What of a plugin's lists counts, in words; null where nobody has marked it. */
export function marksText(marks: Marks | null): string {
  if (marks === null) return say("blend.marks.none");
  if (marks === "never") return say("blend.marks.never");
  return marks.map((act) => say(`blend.marks.${act}`)).join(", ") || say("blend.marks.nothing");
}
