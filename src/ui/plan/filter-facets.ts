import { midSentence } from "@/core/language/mid-sentence";
import { say } from "@/core/language/say";
import type { Level } from "@/core/model/finding";
import { tagsOf, type PlanFilter } from "@/core/roster/plan-filter";
import type { Roster, SeatedList } from "@/core/roster/roster";
import { letterOf } from "@/core/roster/seats";

/** Something by which the plan is narrowed to one of several values. */
export interface FilterFacet {
  readonly label: string;
  readonly options: readonly { readonly value: string; readonly label: string }[];
  /** The value by which it is narrowed now; null: by none. */
  readonly value: string | null;
  readonly part: (value: string | null) => Partial<PlanFilter>;
}

const yesOrNo = (yes: string, no: string) => [
  { value: "yes", label: yes },
  { value: "no", label: no },
];
const word = (value: boolean | null) => (value === null ? null : value ? "yes" : "no");
const truth = (value: string | null) => (value === null ? null : value === "yes");

const levelOptions: readonly { value: Level | "any"; label: string }[] = [
  {
    value: "any",
    get label() {
      return say("plan.anyFinding");
    },
  },
  {
    value: "blocker",
    get label() {
      return say("level.blockers");
    },
  },
  {
    value: "problem",
    get label() {
      return say("level.problems");
    },
  },
  {
    value: "hint",
    get label() {
      return say("level.hints");
    },
  },
];

/** Those that can narrow this list at all. */
export function filterFacets(roster: Roster, list: SeatedList, filter: PlanFilter): readonly FilterFacet[] {
  const kinds = list.name === "mods" ? [] : [...roster.game.loadRanks, ...roster.game.counting];
  const tags = [...new Set(list.items.flatMap(tagsOf))].sort();
  const facets: readonly FilterFacet[] = [
    {
      label: say("plan.loads"),
      options: yesOrNo(say("overview.loads"), say("plan.doesNotLoad")),
      value: word(filter.loads),
      part: (value) => ({ loads: truth(value) }),
    },
    {
      label: say("common.section"),
      options: list.sections.map(({ id, name }, at) => ({ value: id, label: `${letterOf(at)} ${name}` })),
      value: filter.section,
      part: (section) => ({ section }),
    },
    {
      label: say("common.class"),
      options: kinds.map(({ id, label }) => ({ value: id, label: midSentence(label) })),
      value: filter.kind,
      part: (kind) => ({ kind }),
    },
    {
      label: say("common.tag"),
      options: tags.map((tag) => ({ value: tag, label: tag })),
      value: filter.tag,
      part: (tag) => ({ tag }),
    },
    {
      label: say("plan.finding"),
      options: levelOptions,
      value: filter.finding,
      part: (finding) => ({ finding: finding as Level | "any" | null }),
    },
    {
      label: say("common.rule"),
      options: yesOrNo(say("plan.inARule"), say("plan.inNoRule")),
      value: word(filter.ruled),
      part: (value) => ({ ruled: truth(value) }),
    },
    {
      label: say("common.note"),
      options: yesOrNo(say("plan.withANote"), say("plan.withoutANote")),
      value: word(filter.noted),
      part: (value) => ({ noted: truth(value) }),
    },
    {
      label: say("plan.placed"),
      options: [{ value: "no", label: say("plan.notPlacedYet") }],
      value: filter.fresh ? "no" : null,
      part: (value) => ({ fresh: value !== null }),
    },
  ];
  return facets.filter(({ options }) => options.length > 0);
}
