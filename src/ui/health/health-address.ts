import { z } from "zod";
import { levels, type Level } from "@/core/model/finding";

const findingSheets = ["cause", "item", "single", "aside"] as const;
/** How the findings are put together; `aside` are those that are set aside. */
export type FindingSheet = (typeof findingSheets)[number];
export const sheets = [...findingSheets, "needs"] as const;
/** The findings, or what needs what. */
export type Sheet = (typeof sheets)[number];

/** All that the address of the view says. */
export interface HealthAddress {
  readonly sheet: Sheet;
  /** Of no level is nothing hidden. */
  readonly hidden: readonly Level[];
  readonly text: string;
  /** Only what is new since it last ran well. */
  readonly fresh: boolean;
  /** Only of this item. */
  readonly item: string | null;
  /** The row that is looked at. */
  readonly at: string | null;
  /** Of which what it needs and what needs it is shown, by its kind and id. */
  readonly of: string | null;
}

const SheetName = z.enum(sheets).catch("cause");

/** What is not understood says nothing. */
export function healthFromQuery(query: URLSearchParams): HealthAddress {
  const without = query.getAll("without");
  return {
    sheet: SheetName.parse(query.get("by")),
    hidden: levels.filter((level) => without.includes(level)),
    text: query.get("q") ?? "",
    fresh: query.get("new") === "yes",
    item: query.get("item"),
    at: query.get("at"),
    of: query.get("of"),
  };
}

export function healthToQuery({ sheet, hidden, text, fresh, item, at, of }: HealthAddress): URLSearchParams {
  const parts: readonly (readonly [string, string | null])[] = [
    ["by", sheet === "cause" ? null : sheet],
    ...hidden.map((level) => ["without", level] as const),
    ["q", text],
    ["new", fresh ? "yes" : null],
    ["item", item],
    ["at", at],
    ["of", of],
  ];
  return new URLSearchParams(parts.flatMap(([key, value]) => (value ? [[key, value]] : [])));
}

const plain: HealthAddress = {
  sheet: "cause",
  hidden: [],
  text: "",
  fresh: false,
  item: null,
  at: null,
  of: null,
};

/** A link to what is found of an item. */
export const healthOf = (item: string): string =>
  `/health?${healthToQuery({ ...plain, sheet: "single", item })}`;

/** A link to what something needs and what needs it, by its kind and id. */
export const needsOfKey = (of: string): string =>
  `/health?${healthToQuery({ ...plain, sheet: "needs", of })}`;
