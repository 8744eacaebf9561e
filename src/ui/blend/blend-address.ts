import { z } from "zod";

export const sheets = ["lists", "plugins", "clashes"] as const;
/** The lists that are blended or left, who has part in them, or who wants different things of a name. */
export type Sheet = (typeof sheets)[number];

/** All that the address of the view says. */
interface BlendAddress {
  readonly sheet: Sheet;
  /** What is looked at: a record, a plugin, or a record and a name. */
  readonly at: string | null;
}

const SheetName = z.enum(sheets).catch("lists");

/** What is not understood says nothing. */
export const blendFromQuery = (query: URLSearchParams): BlendAddress => ({
  sheet: SheetName.parse(query.get("show")),
  at: query.get("at"),
});

export function blendToQuery({ sheet, at }: BlendAddress): URLSearchParams {
  const query = new URLSearchParams(sheet === "lists" ? {} : { show: sheet });
  if (at) query.set("at", at);
  return query;
}
