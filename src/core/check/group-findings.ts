import {
  levels,
  type Finding,
  type FindingData,
  type FindingId,
  type Fix,
  type Level,
} from "../model/finding";
import type { Want } from "../model/want";

/** Findings of one cause, or of one kind where they have none in common. */
export interface FindingGroup {
  readonly key: string;
  readonly level: Level;
  /** All of one id; of a group that has a cause each says the same of it. */
  readonly findings: readonly Finding[];
  readonly hasCause: boolean;
  /** Ways out that end all of them. */
  readonly fixes: readonly Fix[];
  /** What is not here and would end them. */
  readonly wants: readonly Want[];
}

/** What several findings of a kind can have in common. */
const causeOf: { readonly [Id in FindingId]?: (data: FindingData[Id]) => string } = {
  "missing-master": ({ master }) => master,
  "missing-expansion": ({ expansion }) => expansion,
  "master-off": ({ master }) => master,
  "master-mod-off": ({ master }) => master,
  "master-part-off": ({ master }) => master,
  "master-left-out": ({ master }) => master,
  "master-gone": ({ master }) => master,
  "master-late": ({ master }) => master,
  "required-off": ({ other }) => other,
  "required-missing": ({ other }) => other,
  "required-late": ({ earlier }) => earlier,
  "advice-needs": ({ other }) => other,
  "advice-recommended": ({ other }) => other,
  "expansion-off": ({ expansion }) => expansion,
  "expansion-not-owned": ({ expansion }) => expansion,
  "closed-section-entered": ({ section }) => section,
};

const causeIn = ({ id, data }: Finding): string | null =>
  // Of one id the function and its data fit, which a union of ids loses.
  (causeOf[id] as ((data: Finding["data"]) => string) | undefined)?.(data) ?? null;

/** As many of one kind that have no cause in common still stand one by one. */
const mostSingle = 3;

/** The gravest first; within a level what explains most, then in the order of the findings. */
export function groupFindings(findings: readonly Finding[]): readonly FindingGroup[] {
  const gathered = [...gatherBy(findings, kindOf)].flatMap(([kind, members]) => groupsOf(kind, members));
  return levels.flatMap((level) =>
    gathered.filter((group) => group.level === level).sort((a, b) => b.findings.length - a.findings.length),
  );
}

type Some = readonly [Finding, ...Finding[]];

const kindOf = ({ level, id }: Finding): string => `${level} ${id}`;

function gatherBy(findings: readonly Finding[], keyOf: (finding: Finding) => string): Map<string, Some> {
  const gathered = new Map<string, [Finding, ...Finding[]]>();
  for (const finding of findings) {
    const key = keyOf(finding);
    const members = gathered.get(key);
    if (members) members.push(finding);
    else gathered.set(key, [finding]);
  }
  return gathered;
}

/** Of one kind: those of a common cause together, then the rest, together where they are many. */
function groupsOf(kind: string, findings: Some): FindingGroup[] {
  const [first] = findings;
  const byCause = causeIn(first) === null ? [] : [...gatherBy(findings, (each) => causeIn(each)!)];
  const shared = byCause.filter(([, members]) => members.length > 1);
  const isShared = new Set(shared.flatMap(([, members]) => members));
  const rest = findings.filter((finding) => !isShared.has(finding));
  const groups = shared.map(([cause, members]) => group(`${kind}: ${cause}`, members, true));
  const [one, ...others] = rest;
  if (one && others.length >= mostSingle) return [...groups, group(kind, [one, ...others], false)];
  return [...groups, ...rest.map((finding, at) => group(`${kind} ${at}`, [finding], false))];
}

function group(key: string, findings: Some, hasCause: boolean): FindingGroup {
  const [{ level, fixes }] = findings;
  const wants = new Map(
    findings.flatMap((each) => (each.wants ?? []).map((want) => [JSON.stringify(want), want] as const)),
  );
  const common = fixes.filter(({ does }) => findings.every((each) => each.fixes.some(isSame(does))));
  return { key, level, findings, hasCause, fixes: common, wants: [...wants.values()] };
}

const isSame =
  (does: Fix["does"]) =>
  (fix: Fix): boolean =>
    JSON.stringify(fix.does) === JSON.stringify(does);
