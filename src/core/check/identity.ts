import canonicalize from "canonicalize";
import { sha256Hex } from "../lineup/fingerprint";
import type { Finding } from "../model/finding";
import type { Subject } from "../model/subject";
import { remembered } from "../remembered";
import type { Roster, Stock } from "../roster/roster";

/** What cannot be read has no id but its place. */
const unreadable = remembered(
  ({ shelf }: Stock) => new Set<string>(shelf.flatMap(({ path, problem }) => (problem ? path : []))),
);

/** What a finding is about, by kind and id: its items, what is beside them, or else the list itself. */
export function subjectsOf({ stock }: Pick<Roster, "stock">, finding: Finding): Subject[] {
  const items = finding.subjects.map(({ list, id }): Subject => {
    if (list === "plugins") return { kind: "plugin", id };
    return { kind: unreadable(stock).has(id) ? "path" : "mod", id };
  });
  const all = [...items, ...(finding.besides ?? [])];
  return all.length > 0 ? all : [{ kind: "list", id: "" }];
}

/** By UTF-16 code units, as RFC 8785 orders keys; each once. */
export function sortedSubjects(subjects: readonly Subject[]): Subject[] {
  const keyOf = ({ kind, id }: Subject) => `${kind}\u0000${id}`;
  const byKey = new Map(subjects.map((subject) => [keyOf(subject), subject]));
  return [...byKey.keys()].sort().map((key) => byKey.get(key)!);
}

/** The same for what a check finds of the same, whenever and wherever it is asked: 16 hex digits, as in docs/FORMATS.md. */
export const findingKey = (check: string, subjects: readonly Subject[]): string =>
  sha256Hex(canonicalize([check, sortedSubjects(subjects)])!).slice(0, 16);

/** The id of a finding, worked out once for each. */
export const findingId = (roster: Pick<Roster, "stock">, finding: Finding): string => {
  const known = ids.get(finding);
  if (known !== undefined) return known;
  const id = findingKey(finding.id, subjectsOf(roster, finding));
  ids.set(finding, id);
  return id;
};
const ids = new WeakMap<Finding, string>();

/** What a finding says, in 16 hex digits: others where it says something else of the same. */
export const findingFacts = ({ id, level, data }: Finding): string =>
  sha256Hex(canonicalize([id, level, data])!).slice(0, 16);
