import { z } from "zod";
import type { Contested } from "@/core/conflict/conflicts";
import { everyConflict, type ConflictQuery } from "@/core/conflict/survey";

export const sheets = ["matrix", "list", "pictures", "orders", "left-out"] as const;
/** What of the conflicts is shown. */
export type Sheet = (typeof sheets)[number];

/** What is looked at more closely: two items, a path or record, or one item. */
export type Looked =
  | { readonly kind: "pair"; readonly pair: readonly [string, string] }
  | { readonly kind: "key"; readonly key: string }
  | { readonly kind: "item"; readonly id: string };

/** All that the address of the view says. */
interface ConflictsAddress {
  readonly of: Contested;
  readonly sheet: Sheet;
  readonly query: ConflictQuery;
  readonly looked: Looked | null;
}

const Of = z.enum(["files", "records"]).catch("files");
const SheetName = z.enum(sheets).catch("matrix");

/** What is not understood says nothing. */
export function conflictsFromQuery(query: URLSearchParams): ConflictsAddress {
  return {
    of: Of.parse(query.get("of")),
    sheet: SheetName.parse(query.get("show")),
    query: {
      ...everyConflict,
      undecided: query.get("undecided") === "yes",
      unequal: query.get("unequal") === "yes",
      section: query.get("section"),
      kind: query.get("kind"),
      tag: query.get("tag"),
      item: query.get("item"),
      text: query.get("q") ?? "",
    },
    looked: lookedFrom(query),
  };
}

function lookedFrom(query: URLSearchParams): Looked | null {
  const [one, other] = query.getAll("pair");
  const [key, id] = [query.get("at"), query.get("about")];
  if (one !== undefined && other !== undefined) return { kind: "pair", pair: [one, other] };
  if (key !== null) return { kind: "key", key };
  return id === null ? null : { kind: "item", id };
}

export function conflictsToQuery({ of, sheet, query, looked }: ConflictsAddress): URLSearchParams {
  const parts: readonly (readonly [string, string | null])[] = [
    ["of", of === "files" ? null : of],
    ["show", sheet === "matrix" ? null : sheet],
    ["undecided", query.undecided ? "yes" : null],
    ["unequal", query.unequal ? "yes" : null],
    ["section", query.section],
    ["kind", query.kind],
    ["tag", query.tag],
    ["item", query.item],
    ["q", query.text],
    ...(looked?.kind === "pair" ? looked.pair.map((id) => ["pair", id] as const) : []),
    ["at", looked?.kind === "key" ? looked.key : null],
    ["about", looked?.kind === "item" ? looked.id : null],
  ];
  return new URLSearchParams(parts.flatMap(([key, value]) => (value ? [[key, value]] : [])));
}

/** A link to the view with something looked at. */
export const conflictsAbout = (of: Contested, looked: Looked): string =>
  `/conflicts?${conflictsToQuery({ of, sheet: "matrix", query: everyConflict, looked })}`;

export const isNarrowed = (query: ConflictQuery): boolean =>
  query.text.trim() !== "" ||
  query.undecided ||
  query.unequal ||
  [query.section, query.kind, query.tag, query.item].some((value) => value !== null);
