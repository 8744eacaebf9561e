import Papa from "papaparse";
import { lineOfRow, rowColumns, rowsOf } from "@/core/lineup/rows";
import { headFields, headOf, saidByHead, type TableHead } from "@/core/lineup/table";
import type { Listing, ListLine } from "@/core/model/listing";
import { carriedByRows, type LineupFormat } from "./format";

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
    const all = rowsOf(lineup);
    const head = headOf(lineup, all);
    const rows = all.map((row, at) =>
      // In columns of their own, what is said of the whole list goes along however a spreadsheet sorts the rows.
      [
        ...rowColumns.map((column) => row[column]),
        ...headColumns.map((field) => (at === 0 ? head[field] : "")),
      ].map(guardCell),
    );
    return `${Papa.unparse([[...rowColumns, ...headColumns], ...rows], { newline: "\r\n" })}\r\n`;
  },
};

/** A spreadsheet is there to be worked in: what is sorted there is not altered. */
const headColumns = headFields.filter(
  (field): field is Exclude<keyof TableHead, "digests"> => field !== "digests",
);

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

const headOfColumn = (cell: string): string => {
  const word = cell.trim().toLowerCase();
  return Object.hasOwn(otherHeads, word) ? otherHeads[word]! : word;
};

/** What columns of its own say of the whole list; nothing where rows disagree. */
export function headInCells(
  cells: readonly (readonly string[])[],
): Pick<Listing, "game" | "fingerprint" | "settings"> {
  const heads = (cells[0] ?? []).map(headOfColumn);
  const only = (field: string) => {
    const at = heads.indexOf(field);
    const said = new Set(cells.slice(1).map((row) => row[at]?.trim() ?? ""));
    const [found = "", ...others] = [...said].filter((text) => text !== "");
    return others.length === 0 ? found : "";
  };
  const said = saidByHead(Object.fromEntries(headColumns.map((field) => [field, only(field)])));
  // A column of somebody else's may have one of these names.
  return said.settings ? said : { ...said, game: null };
}

/** Rows below a header that names a column of names, each upon `blank`; null where there is no such header. */
export function linesOfCells(
  cells: readonly (readonly string[])[],
  blank: Readonly<Record<string, string>> = {},
): ListLine[] | null {
  const heads = (cells[0] ?? []).map(headOfColumn);
  if (!heads.includes("name")) return null;
  const ofRow = (row: readonly string[]) => {
    const record = Object.create(null) as Record<string, string>;
    heads.forEach((head, at) => (record[head] ??= row[at] ?? ""));
    return lineOfRow({ ...blank, ...record });
  };
  return cells
    .slice(1)
    .map(ofRow)
    .filter((line) => line !== null);
}
