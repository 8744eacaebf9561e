import Papa from "papaparse";
import type { ContestedRow } from "@/core/conflict/survey";
import { guardCell } from "./lineup/csv";

/** What is contested as a table (RFC 4180), a path or record a line; `nameOf` says what a provider is called. */
export const conflictsCsv = (
  head: readonly [key: string, winner: string, providers: string, equal: string, decided: string],
  rows: readonly ContestedRow[],
  nameOf: (id: string) => string,
): string => {
  const cells = rows.map(({ key, providers, equal, decided }) => [
    key,
    nameOf(providers.at(-1)!),
    providers.map(nameOf).join("; "),
    String(equal),
    String(decided),
  ]);
  return `${Papa.unparse([head.map(guardCell), ...cells.map((row) => row.map(guardCell))], { newline: "\r\n" })}\r\n`;
};
