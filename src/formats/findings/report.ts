import { findingKey, subjectsOf } from "@/core/check/identity";
import { say } from "@/core/language/say";
import { findingTitle } from "@/core/messages/finding-titles";
import { sayFinding } from "@/core/messages/findings";
import { plainText } from "@/core/messages/parts";
import { levels, type Finding, type Level } from "@/core/model/finding";
import type { ReportedFinding } from "@/core/model/findings-report";
import type { Subject } from "@/core/model/subject";
import { seatAndTitle, type Roster } from "@/core/roster/roster";

/** Something that was found, told; `title` says the kind of it in a few words. */
export interface Told {
  readonly check: string;
  readonly title: string;
  readonly level: Level;
  readonly subjects: readonly Subject[];
  readonly message: string;
}

export const toldOf = (roster: Roster, finding: Finding): Told => ({
  check: finding.id,
  title: findingTitle(finding.id),
  level: finding.level,
  subjects: subjectsOf(roster, finding),
  message: plainText(sayFinding(finding), (id) => seatAndTitle(roster, id)),
});

/** As plain text, with the place in the list of that name where there is one. */
export const findingLine = ({ level, message, line }: ReportedFinding, list: string): string =>
  `${say(`level.${level}`, { count: 1 })}: ${message}${line === null ? "" : ` (${list}:${line})`}`;

/** The gravest first. What a check finds of the same more than once, as two books may say it, is one finding that says all of it. */
export function reported(
  all: readonly Told[],
  lineOf: (subjects: readonly Subject[]) => number | null,
): ReportedFinding[] {
  const byId = new Map<string, ReportedFinding>();
  for (const { check, level, subjects, message } of all) {
    const id = findingKey(check, subjects);
    const before = byId.get(id);
    if (!before) byId.set(id, { id, check, level, subjects: [...subjects], message, line: lineOf(subjects) });
    else if (!before.message.includes(message))
      byId.set(id, {
        ...before,
        level: levels.indexOf(level) < levels.indexOf(before.level) ? level : before.level,
        message: `${before.message} ${message}`,
      });
  }
  return levels.flatMap((level) => [...byId.values()].filter((finding) => finding.level === level));
}
