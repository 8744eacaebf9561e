import type { Finding, Level } from "../model/finding";
import { itemsOf } from "../order/rule-items";
import type { Roster, SeatedPlugin } from "./roster";

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
  fresh: false,
  among: null,
};

export const narrows = (filter: PlanFilter): boolean =>
  filter.text.trim() !== "" ||
  filter.fresh ||
  [filter.loads, filter.section, filter.kind, filter.tag, filter.finding, filter.ruled, filter.among].some(
    (part) => part !== null,
  );

/** Ids of the plugins that all parts of the filter let through. */
export function filterPlugins(roster: Roster, findings: readonly Finding[], filter: PlanFilter): Set<string> {
  const wanted = filter.text.trim().toLowerCase();
  const found = findingSubjects(findings, filter.finding);
  const ruled = new Set(roster.profile.state.rules.flatMap(({ rule }) => itemsOf(rule)));
  const passes = (plugin: SeatedPlugin) =>
    (wanted === "" || textOf(plugin).includes(wanted)) &&
    (filter.loads === null || plugin.loads === filter.loads) &&
    (filter.section === null || plugin.entry.section === filter.section) &&
    (filter.kind === null || plugin.rank.id === filter.kind || plugin.counting?.id === filter.kind) &&
    (filter.tag === null || (plugin.mod?.mod?.tags.includes(filter.tag) ?? false)) &&
    (found === null || found.has(plugin.id)) &&
    (filter.ruled === null || ruled.has(plugin.id) === filter.ruled) &&
    (!filter.fresh || plugin.entry.fresh === true) &&
    (filter.among === null || filter.among.ids.has(plugin.id));
  return new Set(roster.plugins.filter(passes).map((plugin) => plugin.id));
}

const textOf = ({ id, seat, mod }: SeatedPlugin): string =>
  `${seat} ${id} ${mod?.mod?.name ?? ""} ${mod?.mod?.author ?? ""}`.toLowerCase();

function findingSubjects(findings: readonly Finding[], level: PlanFilter["finding"]): Set<string> | null {
  if (level === null) return null;
  const wanted = findings.filter((finding) => level === "any" || finding.level === level);
  return new Set(wanted.flatMap(({ subjects }) => subjects.map(({ id }) => id)));
}

export type PlanSort = "name" | "kind" | "mod" | "size";

/** The plugins in another order to look at, which is not the one that they load in. */
export function inLookOrder(plugins: readonly SeatedPlugin[], by: PlanSort): SeatedPlugin[] {
  const keyOf: Record<PlanSort, (plugin: SeatedPlugin) => string | number> = {
    name: ({ id }) => id.toLowerCase(),
    kind: ({ rank, counting }) => `${rank.id} ${counting?.id ?? ""}`,
    mod: ({ mod }) => (mod?.mod?.name ?? "").toLowerCase(),
    size: ({ file }) => -(file?.size ?? 0),
  };
  const key = keyOf[by];
  return [...plugins].sort((a, b) => (key(a) < key(b) ? -1 : key(a) > key(b) ? 1 : a.place - b.place));
}
