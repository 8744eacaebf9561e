import { groupFindings } from "@/core/check/group-findings";
import { findingId } from "@/core/check/identity";
import type { LivedWith } from "@/core/check/set-aside";
import { say } from "@/core/language/say";
import { sayGroup } from "@/core/messages/finding-groups";
import { isAbout } from "@/core/check/about";
import { findingTitle } from "@/core/messages/finding-titles";
import { sayFinding } from "@/core/messages/findings";
import { plainText, type Sentence } from "@/core/messages/parts";
import { levels, type Finding, type Fix, type Level } from "@/core/model/finding";
import type { Want } from "@/core/model/want";
import { seatAndTitle, titleOfId, type Roster } from "@/core/roster/roster";
import type { HealthAddress, FindingSheet } from "./health-address";

/** A row of the view: findings that are told together. */
export interface HealthRow {
  readonly key: string;
  readonly level: Level;
  readonly title: string;
  readonly said: Sentence;
  readonly findings: readonly Finding[];
  /** What ends all of them. */
  readonly fixes: readonly Fix[];
  readonly wants: readonly Want[];
  /** Why it was set aside; null of what is told. */
  readonly reason: string | null;
}

interface Shown {
  readonly rows: readonly HealthRow[];
  /** How many findings there are of each level, as far as the search goes, hidden or not. */
  readonly counts: Readonly<Record<Level, number>>;
  /** How many findings are not shown. */
  readonly hidden: number;
  /** How many of all are new since it last ran well. */
  readonly fresh: number;
}

type Asked = Pick<HealthAddress, "hidden" | "text" | "fresh" | "item"> & { readonly sheet: FindingSheet };

/** What of the findings an address shows. */
export function healthRows(
  roster: Roster,
  told: readonly Finding[],
  aside: readonly LivedWith[],
  { sheet, hidden, text, fresh, item }: Asked,
  isNew: (id: string) => boolean,
): Shown {
  const all = sheet === "aside" ? aside.map(({ finding }) => finding) : told;
  const wanted = text.trim().toLowerCase();
  const fitting = all.filter(
    (finding) =>
      (!fresh || isNew(findingId(roster, finding))) &&
      (item === null || isAbout(roster, finding, item)) &&
      (wanted === "" || textOf(roster, finding).toLowerCase().includes(wanted)),
  );
  const shown = fitting.filter(({ level }) => !hidden.includes(level));
  const counts = Object.fromEntries(
    levels.map((level) => [level, fitting.filter((each) => each.level === level).length]),
  ) as Record<Level, number>;
  return {
    rows: rowsOf[sheet](roster, shown, aside),
    counts,
    hidden: all.length - shown.length,
    fresh: all.filter((each) => isNew(findingId(roster, each))).length,
  };
}

/** As one reads it. */
const textOf = (roster: Roster, finding: Finding): string =>
  `${findingTitle(finding.id)} ${plainText(sayFinding(finding), (id) => seatAndTitle(roster, id))}`;

type Rows = (roster: Roster, findings: readonly Finding[], aside: readonly LivedWith[]) => HealthRow[];

const rowsOf: Readonly<Record<FindingSheet, Rows>> = {
  cause: (roster, findings) =>
    groupFindings(findings).map((group) => {
      const row = rowOf(roster, group.findings[0]!);
      if (group.findings.length === 1) return row;
      const { key, findings: own, fixes, wants } = group;
      const said = sayGroup(group) ?? [...row.said, ` ${say("health.andSoMore", { count: own.length - 1 })}`];
      return { ...row, key, said, findings: own, fixes, wants };
    }),
  item: byItem,
  single: (roster, findings) => findings.map((finding) => rowOf(roster, finding)),
  aside: (roster, findings, aside) => {
    const reasonOf = new Map(aside.map(({ finding, entry }) => [finding, entry.reason]));
    return findings.map((finding) => ({ ...rowOf(roster, finding), reason: reasonOf.get(finding) ?? "" }));
  },
};

const rowOf = (roster: Roster, finding: Finding): HealthRow => ({
  key: findingId(roster, finding),
  level: finding.level,
  title: findingTitle(finding.id),
  said: sayFinding(finding),
  findings: [finding],
  fixes: finding.fixes,
  wants: finding.wants ?? [],
  reason: null,
});

/** What is about one item together: the gravest first, then that about which most is found. What is about no item is a row of its own. */
function byItem(roster: Roster, findings: readonly Finding[]): HealthRow[] {
  const found = new Map<string, Finding[]>();
  for (const finding of findings) {
    const id = finding.subjects[0]?.id ?? "";
    const known = found.get(id);
    if (known) known.push(finding);
    else found.set(id, [finding]);
  }
  const rows = [...found].map(([id, own]): HealthRow => ({
    ...rowOf(roster, own[0]!),
    key: `item ${id}`,
    title: id === "" ? roster.profile.name : titleOfId(roster, id),
    said: [titlesOf(own)],
    findings: own,
    fixes: own.length === 1 ? own[0]!.fixes : [],
    wants: own.flatMap(({ wants = [] }) => wants),
  }));
  return levels.flatMap((level) =>
    rows.filter((row) => row.level === level).sort((a, b) => b.findings.length - a.findings.length),
  );
}

/** Each once, with how often it is found. */
function titlesOf(findings: readonly Finding[]): string {
  const counts = new Map<string, number>();
  for (const { id } of findings) counts.set(findingTitle(id), (counts.get(findingTitle(id)) ?? 0) + 1);
  return [...counts].map(([title, count]) => (count > 1 ? `${title} × ${count}` : title)).join("; ");
}
