import { z } from "zod";
import { levels } from "@/core/model/finding";
import type { ListName } from "@/core/model/profile";
import { noFilter, type PlanFilter } from "@/core/roster/plan-filter";

/** What of the plan its address says: a link to it shows the same. */
export interface PlanAddress {
  readonly list: ListName | null;
  /** The item that the keyboard is on. */
  readonly item: string | null;
  /** Ids of sections. */
  readonly folded: readonly string[];
  readonly sort: string;
  /** What is found by something else, as by a restore point, is not said. */
  readonly filter: PlanFilter;
}

const answers = { yes: true, no: false } as const;
const Answer = z.enum(["yes", "no"]).nullable().catch(null);
const Found = z
  .enum(["any", ...levels])
  .nullable()
  .catch(null);
const List = z.enum(["plugins", "mods"]).nullable().catch(null);

const yesOrNo = (value: string | null): boolean | null => {
  const said = Answer.parse(value);
  return said && answers[said];
};

/** What is not understood says nothing. */
export const planFromQuery = (query: URLSearchParams): PlanAddress => ({
  list: List.parse(query.get("list")),
  item: query.get("item"),
  folded: query.getAll("fold"),
  sort: query.get("sort") ?? "",
  filter: {
    ...noFilter,
    text: query.get("q") ?? "",
    loads: yesOrNo(query.get("loads")),
    section: query.get("section"),
    kind: query.get("class"),
    tag: query.get("tag"),
    finding: Found.parse(query.get("finding")),
    ruled: yesOrNo(query.get("rule")),
    noted: yesOrNo(query.get("note")),
    fresh: query.get("placed") === "no",
  },
});

export function planToQuery({ list, item, folded, sort, filter }: PlanAddress): URLSearchParams {
  const word = (value: boolean | null) => (value === null ? null : value ? "yes" : "no");
  const parts: readonly (readonly [string, string | null])[] = [
    ["list", list],
    ["item", item],
    ...folded.map((id) => ["fold", id] as const),
    ["sort", sort],
    ["q", filter.text],
    ["loads", word(filter.loads)],
    ["section", filter.section],
    ["class", filter.kind],
    ["tag", filter.tag],
    ["finding", filter.finding],
    ["rule", word(filter.ruled)],
    ["note", word(filter.noted)],
    ["placed", filter.fresh ? "no" : null],
  ];
  return new URLSearchParams(parts.flatMap(([key, value]) => (value ? [[key, value]] : [])));
}
