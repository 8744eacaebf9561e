import { say } from "../language/say";
import type { Advice, AdviceOn } from "../model/advice";
import type { Occasion } from "../model/reminder";
import { standingOf } from "../roster/advice";
import { titleOfId, type Roster } from "../roster/roster";

/** What advice is about, as people call it. */
export function adviceSubject(roster: Roster, on: AdviceOn): string {
  const { item, part } = standingOf(roster, on);
  const name = titleOfId(roster, item);
  return part ? say("advice.partOf", { part: part.label, name }) : name;
}

/** What it says of that, without why. */
export function adviceText(roster: Roster, advice: Advice): string {
  const other = "other" in advice && advice.other ? adviceSubject(roster, advice.other) : "";
  switch (advice.kind) {
    case "needs":
      return say("advice.says.needs", { other });
    case "clashes":
      return say("advice.says.clashes", { other });
    case "place":
      return say("advice.says.place", { section: sectionName(roster, advice.section) });
    case "known-bad":
      return say("advice.says.known-bad");
    case "outdated":
      return other === "" ? say("advice.says.outdated") : say("advice.says.replaced", { other });
    case "leftover":
      return say("advice.says.leftover", { count: advice.count });
    case "recommended":
      return other === "" ? say("advice.says.recommended") : say("advice.says.goesWith", { other });
    case "note":
      return say("advice.says.note");
    case "marks":
      return advice.marks === "never" || advice.marks.length === 0
        ? say("advice.says.noMarks")
        : say("advice.says.marks", {
            marks: advice.marks.map((mark) => say(`advice.mark.${mark}`)).join(", "),
          });
  }
}

const sectionName = ({ lists }: Roster, id: string): string =>
  [...lists.mods.sections, ...lists.plugins.sections].find((section) => section.id === id)?.name ?? id;

/** When a reminder is due. */
export function occasionText(when: Occasion): string {
  switch (when.kind) {
    case "arrives":
      return say("advice.when.arrives", { mod: when.mod });
    case "updated":
      return say("advice.when.updated", { version: when.version });
    case "day":
      return say("advice.when.day", { date: when.date });
  }
}
