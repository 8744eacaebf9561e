import type { Finding, Level } from "../model/finding";
import { listOfRule, type ListName, type Note } from "../model/profile";
import { itemsOf } from "../order/rule-items";
import { kindsOf } from "./kinds";
import { notesOf } from "./notes";
import { titleOf, type Roster, type SeatedItem, type SeatedList } from "./roster";

/** What of a plan is shown; null or empty does not narrow it. */
export interface PlanFilter {
  readonly text: string;
  readonly loads: boolean | null;
  readonly section: string | null;
  /** Id of a load rank or of a counted class. */
  readonly kind: string | null;
  readonly tag: string | null;
  readonly finding: Level | "any" | null;
  /** Named by a rule, or by none. */
  readonly ruled: boolean | null;
  /** With a note of somebody's, or without. */
  readonly noted: boolean | null;
  readonly fresh: boolean;
  /** Ids found by something else, as those moved since a restore point, and what that is called. */
  readonly among: { readonly ids: ReadonlySet<string>; readonly words: string } | null;
}

export const noFilter: PlanFilter = {
  text: "",
  loads: null,
  section: null,
  kind: null,
  tag: null,
  finding: null,
  ruled: null,
  noted: null,
  fresh: false,
  among: null,
};

export const narrows = (filter: PlanFilter): boolean =>
  filter.text.trim() !== "" ||
  filter.fresh ||
  [
    filter.loads,
    filter.section,
    filter.kind,
    filter.tag,
    filter.finding,
    filter.ruled,
    filter.noted,
    filter.among,
  ].some((part) => part !== null);

/** Ids of the items of a list that all parts of the filter let through. */
export function filterItems(
  roster: Roster,
  list: SeatedList,
  findings: readonly Finding[],
  filter: PlanFilter,
): Set<string> {
  const wanted = filter.text.trim().toLowerCase();
  const found = findingSubjects(findings, list.name, filter.finding);
  const ruled = ruledItems(roster, list.name);
  const notes = notesOf(roster, list.name);
  const passes = (item: SeatedItem) =>
    (wanted === "" || textOf(item, notes.get(item.id)).includes(wanted)) &&
    (filter.loads === null || item.loads === filter.loads) &&
    (filter.section === null || item.entry.section === filter.section) &&
    (filter.kind === null || kindsOf(item).some((kind) => kind.id === filter.kind)) &&
    (filter.tag === null || tagsOf(item).includes(filter.tag)) &&
    (found === null || found.has(item.id)) &&
    (filter.ruled === null || ruled.has(item.id) === filter.ruled) &&
    (filter.noted === null || notes.has(item.id) === filter.noted) &&
    (!filter.fresh || item.entry.fresh === true) &&
    (filter.among === null || filter.among.ids.has(item.id));
  return new Set(list.items.filter(passes).map((item) => item.id));
}

/** The mod that an item is, or that it comes with. */
const ownMod = (item: SeatedItem) => (item.list === "mods" ? item : item.mod)?.mod ?? null;

export const tagsOf = (item: SeatedItem): readonly string[] => ownMod(item)?.tags ?? [];

const ruledItems = ({ profile }: Roster, list: ListName): Set<string> =>
  new Set(
    profile.state.rules.filter((rule) => listOfRule(rule) === list).flatMap(({ rule }) => itemsOf(rule)),
  );

const textOf = (item: SeatedItem, note: Note | undefined): string =>
  [item.seat, item.id, titleOf(item), ownMod(item)?.name, ownMod(item)?.author, note?.text]
    .filter(Boolean)
    .join(" ")
    .toLowerCase();

function findingSubjects(
  findings: readonly Finding[],
  list: ListName,
  level: PlanFilter["finding"],
): Set<string> | null {
  if (level === null) return null;
  const wanted = findings.filter((finding) => level === "any" || finding.level === level);
  const subjects = wanted.flatMap((finding) => finding.subjects).filter((subject) => subject.list === list);
  return new Set(subjects.map(({ id }) => id));
}
