import { facets, type Facet, type ShelfRow } from "./shelf-rows";
import { searchTexts } from "../kit/search-texts";

/** From and to, both included; empty is open. */
interface Range {
  readonly from: string;
  readonly to: string;
}

const ranges = ["added", "updated", "size"] as const;
/** Days, as `2026-11-02`, or kilobytes. */
export type Ranged = (typeof ranges)[number];

/** What of the shelf is shown; what is empty does not narrow it. */
export interface ShelfFilter {
  readonly text: string;
  readonly facets: Readonly<Partial<Record<Facet, string>>>;
  readonly tags: readonly string[];
  /** Whether one of the tags is enough. */
  readonly anyTag: boolean;
  readonly ranges: Readonly<Partial<Record<Ranged, Range>>>;
}

export const noShelfFilter: ShelfFilter = { text: "", facets: {}, tags: [], anyTag: false, ranges: {} };

export const isNarrow = (filter: ShelfFilter): boolean => filterToQuery(filter).size > 0;

/** How the filter stands in the address and in what is saved. */
export function filterToQuery({
  text,
  facets: chosen,
  tags,
  anyTag,
  ranges: within,
}: ShelfFilter): URLSearchParams {
  const query = new URLSearchParams();
  if (text) query.set("q", text);
  for (const facet of facets) if (chosen[facet]) query.set(facet, chosen[facet]);
  for (const tag of tags) query.append("tag", tag);
  if (anyTag && tags.length > 0) query.set("tags", "any");
  for (const range of ranges) {
    const { from, to } = within[range] ?? open;
    if (from || to) query.set(range, `${from}..${to}`);
  }
  return query;
}

const open: Range = { from: "", to: "" };

export function filterFromQuery(query: URLSearchParams): ShelfFilter {
  const read = (key: string) => query.get(key) ?? "";
  const readRange = (key: Ranged): readonly (readonly [Ranged, Range])[] => {
    const [from = "", to = ""] = read(key).split("..");
    return from || to ? [[key, { from, to }]] : [];
  };
  return {
    text: read("q"),
    facets: Object.fromEntries(facets.flatMap((facet) => (read(facet) ? [[facet, read(facet)]] : []))),
    tags: query.getAll("tag"),
    anyTag: read("tags") === "any",
    ranges: Object.fromEntries(ranges.flatMap(readRange)),
  };
}

export type Counts = ReadonlyMap<string, number>;

export interface Narrowed {
  /** By name; the best first where a text is searched for. */
  readonly shown: readonly ShelfRow[];
  /** How many rows each value would show, with all other parts of the filter as they are. */
  readonly counts: Readonly<Record<Facet | "tag", Counts>>;
}

/** The rows that all parts of the filter let through. A row that one part alone keeps out counts for the others of that part. */
export function narrowShelf(rows: readonly ShelfRow[], filter: ShelfFilter): Narrowed {
  const found = searchTexts(
    rows.map((row) => row.searched),
    filter.text,
  );
  const counts = Object.fromEntries(
    [...facets, "tag"].map((part) => [part, new Map<string, number>()]),
  ) as Record<Facet | "tag", Map<string, number>>;
  const shown: ShelfRow[] = [];
  for (const row of found ? found.map((at) => rows[at]!) : rows) {
    const failing = failingParts(row, filter);
    if (failing.length === 0) shown.push(row);
    for (const part of facets)
      if (failing.every((each) => each === part)) countAll(counts[part], row.values[part]);
    if (failing.length === 0 || (filter.anyTag && failing.every((each) => each === "tag")))
      countAll(counts.tag, row.mod?.tags ?? []);
  }
  return { shown, counts };
}

function countAll(counts: Map<string, number>, values: readonly string[]): void {
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
}

function failingParts(row: ShelfRow, filter: ShelfFilter): (Facet | "tag" | Ranged)[] {
  const failing: (Facet | "tag" | Ranged)[] = [];
  for (const facet of facets) {
    const wanted = filter.facets[facet];
    if (wanted && !row.values[facet].includes(wanted)) failing.push(facet);
  }
  if (filter.tags.length > 0) {
    const has = (tag: string) => row.mod?.tags.includes(tag) ?? false;
    if (!(filter.anyTag ? filter.tags.some(has) : filter.tags.every(has))) failing.push("tag");
  }
  for (const range of ranges) {
    const wanted = filter.ranges[range];
    if (wanted && !isWithin(row, range, wanted)) failing.push(range);
  }
  return failing;
}

function isWithin({ mod }: ShelfRow, range: Ranged, { from, to }: Range): boolean {
  if (!mod) return false;
  if (range === "size")
    return (from === "" || mod.size >= Number(from) * 1000) && (to === "" || mod.size <= Number(to) * 1000);
  const day = (range === "added" ? mod.added : mod.updated)?.slice(0, 10) ?? "";
  return day !== "" && (from === "" || day >= from) && (to === "" || day <= to);
}
