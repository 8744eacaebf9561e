import Papa from "papaparse";
import { lineOfRow, rowColumns, rowsOf } from "@/core/lineup/rows";
import type { Listing, ListLine } from "@/core/model/listing";
import { carriedByRows, wholeFingerprint, type LineupFormat } from "./format";

/** What makes a spreadsheet take a cell for a formula (common practice), and the sign that says it is none. */
const formula = /^[=+\-@\t\r]/;
const guarded = /^'[=+\-@\t\r']/;
export const guardCell = (cell: string): string =>
  formula.test(cell) || cell.startsWith("'") ? `'${cell}` : cell;
export const unguardCell = (cell: string): string => (guarded.test(cell) ? cell.slice(1) : cell);

/** RFC 4180: CRLF, a header, quotes where they are needed. */
export const csv: LineupFormat = {
  id: "csv",
  label: "Table (CSV)",
  extension: ".csv",
  mime: "text/csv",
  carries: carriedByRows,
  write: (lineup) => {
    // In a column of its own it goes along however a spreadsheet sorts the rows.
    const proof = (at: number) => (at === 0 ? (lineup.fingerprint ?? "") : "");
    const rows = rowsOf(lineup).map((row, at) => [
      ...rowColumns.map((column) => guardCell(row[column])),
      proof(at),
    ]);
    return `${Papa.unparse([[...rowColumns, "fingerprint"], ...rows], { newline: "\r\n" })}\r\n`;
  },
};

/** Rows of cells, with the separator that the text itself suggests. */
export function readCells(text: string): string[][] {
  const { data } = Papa.parse<string[]>(text, { skipEmptyLines: "greedy" });
  return data.map((row) => row.map(unguardCell));
}

/** Other words that people head these columns with. */
const otherHeads: Readonly<Record<string, string>> = {
  mod: "name",
  title: "name",
  plugin: "name",
  file: "name",
  filename: "name",
  enabled: "on",
  active: "on",
  state: "on",
  group: "section",
  hash: "sha256",
};

const headOf = (cell: string): string => {
  const word = cell.trim().toLowerCase();
  return Object.hasOwn(otherHeads, word) ? otherHeads[word]! : word;
};

/** The fingerprint that stands in the column for it; none where there are several. */
export function fingerprintInCells(cells: readonly (readonly string[])[]): Pick<Listing, "fingerprint"> {
  const at = (cells[0] ?? []).map(headOf).indexOf("fingerprint");
  const said = new Set(cells.slice(1).map((row) => row[at]?.trim().toLowerCase() ?? ""));
  const [found, ...others] = [...said].filter((value) => wholeFingerprint.test(value));
  return found !== undefined && others.length === 0 ? { fingerprint: found } : {};
}

/** Rows below a header that names a column of names; null where there is no such header. */
export function linesOfCells(cells: readonly (readonly string[])[]): ListLine[] | null {
  const heads = (cells[0] ?? []).map(headOf);
  if (!heads.includes("name")) return null;
  const ofRow = (row: readonly string[]) => {
    const record = Object.create(null) as Record<string, string>;
    heads.forEach((head, at) => (record[head] ??= row[at] ?? ""));
    return lineOfRow(record);
  };
  return cells
    .slice(1)
    .map(ofRow)
    .filter((line) => line !== null);
}
