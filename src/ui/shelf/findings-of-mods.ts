import { modsAbout } from "@/core/check/about";
import { levels, type Finding, type Level } from "@/core/model/finding";
import type { Roster } from "@/core/roster/roster";

export interface WorstOf {
  readonly level: Level;
  readonly count: number;
}

/** By mod what is found about it and its plugins: the worst level, and how much that is. */
export function findingsOf(roster: Roster, findings: readonly Finding[]): Map<string, WorstOf> {
  const found = new Map<string, WorstOf>();
  for (const finding of findings) {
    const { level } = finding;
    for (const id of modsAbout(roster, finding)) {
      const before = found.get(id);
      const worse = !before || levels.indexOf(level) < levels.indexOf(before.level) ? level : before.level;
      found.set(id, { level: worse, count: (before?.count ?? 0) + 1 });
    }
  }
  return found;
}
