import { z } from "zod";

export const sheets = ["mods", "touched", "strangers"] as const;
/** The mods that lie or would lie there, what somebody has touched of them, or what nobody knows. */
export type Sheet = (typeof sheets)[number];

const SheetName = z.enum(sheets).catch("mods");

/** What is not understood says nothing. */
export const sheetFromQuery = (query: URLSearchParams): Sheet => SheetName.parse(query.get("show"));

export const sheetToQuery = (sheet: Sheet): URLSearchParams =>
  new URLSearchParams(sheet === "mods" ? {} : { show: sheet });
