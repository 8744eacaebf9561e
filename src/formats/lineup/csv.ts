import { say } from "@/core/language/say";
import Papa from "papaparse";
import { lineOfRow, rowColumns, rowsOf } from "@/core/lineup/rows";
import { sheetCellsOf, sheetLine } from "@/core/lineup/numbers";
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
  get label() {
    return say("formats.tableCSV");
  },
  extension: ".csv",
  mime: "text/csv",
  carries: [...carriedByRows, "numbers"],
  write: (lineup) => {
    const all = rowsOf(lineup);
    const head = headOf(lineup, all);
    const cells = sheetCellsOf(lineup);
    const rows = all.map((row, at) =>
      // In columns of their own, what is said of the whole list goes along however a spreadsheet sorts the rows.
      [
        ...sheetColumns.map((column) => cells[at]![column]),
        ...rowColumns.map((column) => row[column]),
        ...headColumns.map((field) => (at === 0 ? head[field] : "")),
      ].map(guardCell),
    );
    return `${Papa.unparse([[...sheetColumns, ...rowColumns, ...headColumns], ...rows], { newline: "\r\n" })}\r\n`;
  },
};

/** By which a spreadsheet sorts the rows, and people renumber them. */
const sheetColumns = ["number", "tier", "weight"] as const;

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
  no: "number",
  "no.": "number",
  nr: "number",
  "#": "number",
};

const headOfColumn = (cell: string): string => {
  const word = cell.trim().toLowerCase();
  return Object.hasOwn(otherHeads, word) ? otherHeads[word]! : word;
};

/** What columns of its own say of the whole list; nothing where rows disagree. */
export function headInCells(
  cells: readonly (readonly string[])[],
): Pick<Listing, "game" | "fingerprint" | "settings" | "numbered"> {
  const heads = (cells[0] ?? []).map(headOfColumn);
  const isNumbered = heads.includes("tier") && heads.includes("weight");
  const only = (field: string) => {
    const at = heads.indexOf(field);
    const said = new Set(cells.slice(1).map((row) => row[at]?.trim() ?? ""));
    const [found = "", ...others] = [...said].filter((text) => text !== "");
    return others.length === 0 ? found : "";
  };
  const said = saidByHead(Object.fromEntries(headColumns.map((field) => [field, only(field)])));
  // A column of somebody else's may have one of these names.
  const own = said.settings ? said : { ...said, game: null };
  return isNumbered ? { ...own, numbered: true } : own;
}

/** Rows below a header that names a column of names, each upon `blank`, in the order of their numbers; null where there is no such header. */
export function linesOfCells(
  cells: readonly (readonly string[])[],
  blank: Readonly<Record<string, string>> = {},
): ListLine[] | null {
  const heads = (cells[0] ?? []).map(headOfColumn);
  if (!heads.includes("name")) return null;
  const records = cells.slice(1).map((row) => {
    const record = Object.create(null) as Record<string, string>;
    heads.forEach((head, at) => (record[head] ??= row[at] ?? ""));
    return record;
  });
  return inOrder(records).flatMap((record) => {
    const line = lineOfRow({ ...blank, ...record });
    return line ? [{ ...line, ...sheetLine(record, numberIn) }] : [];
  });
}

/**
 * Rows of a sheet without a header: a column of numbers, the first or the last, and the first of words; null where it is no such
 * sheet. Versions at the end are no numbers of rows: those are all different, and whole or large.
 */
export function linesOfSheet(cells: readonly (readonly string[])[]): ListLine[] | null {
  const width = cells[0]?.length ?? 0;
  if (cells.length < 2 || width < 2 || cells.some((row) => row.length !== width)) return null;
  const column = (at: number) => cells.map((row) => numberIn(row[at]!));
  const isNumbered = (values: readonly (number | null)[]) =>
    values.every((value) => value !== null) && new Set(values).size === values.length;
  const last = column(width - 1);
  const isCounting =
    last.every((value) => Number.isInteger(value)) || last.some((value) => (value ?? 0) >= 20);
  const numbers = isNumbered(column(0)) ? 0 : isNumbered(last) && isCounting ? width - 1 : null;
  const names = cells[0]!.findIndex(
    (_, at) => at !== numbers && cells.every((row) => /\p{L}/u.test(row[at]!)),
  );
  if (numbers === null || names < 0) return null;
  const records = cells.map((row) => ({ number: row[numbers]!, name: row[names]! }));
  return inOrder(records)
    .map(lineOfRow)
    .filter((line) => line !== null);
}

/** A number as sheets write it, with a point or a comma; null where it is none. */
const numberIn = (cell: string): number | null =>
  /^\s*[+-]?\d+(?:[.,]\d+)?\s*$/.test(cell) ? Number(cell.replace(",", ".")) : null;

/** Rows of one list by their number, or by tier and weight together; one without stays behind the one before it. Stable. */
function inOrder<T extends Readonly<Partial<Record<string, string>>>>(rows: readonly T[]): T[] {
  const cell = (row: T, head: string) => (Object.hasOwn(row, head) ? numberIn(row[head] ?? "") : null);
  const numberOf = (row: T): number | null => {
    const [tier, weight] = [cell(row, "tier"), cell(row, "weight")];
    return cell(row, "number") ?? (tier === null && weight === null ? null : (tier ?? 0) + (weight ?? 0));
  };
  const listOf = (row: T) => (Object.hasOwn(row, "list") ? (row.list ?? "").trim() : "");
  const inList = (list: string) => {
    let before = Number.NEGATIVE_INFINITY;
    return rows
      .filter((row) => listOf(row) === list)
      .map((row) => ({ row, at: (before = numberOf(row) ?? before) }))
      .sort((a, b) => (a.at === b.at ? 0 : a.at - b.at))
      .map(({ row }) => row);
  };
  return [...new Set(rows.map(listOf))].flatMap(inList);
}
