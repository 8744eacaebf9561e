import { z } from "zod";

export const sheets = ["lists", "plugins", "clashes", "reports"] as const;
/** The lists that are blended or left, who has part in them, who wants different things of a name, or what was built before. */
export type Sheet = (typeof sheets)[number];

/** All that the address of the view says. */
interface BlendAddress {
  readonly sheet: Sheet;
  /** What is looked at: a record, a plugin, a record and a name, or when something was built. */
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
