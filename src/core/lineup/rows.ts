import type { Lineup } from "../model/lineup";
import type { ListLine } from "../model/listing";
import type { ListName } from "../model/profile";

/** The columns of a lineup as a table, in the order in which they are written. */
export const rowColumns = [
  "list",
  "section",
  "name",
  "id",
  "version",
  "on",
  "source",
  "size",
  "content",
  "sha256",
] as const;
type RowColumn = (typeof rowColumns)[number];

/** A mod or a plugin as a row of text; of a plugin `name` is its file and `id` the mod that brings it. */
export type LineupRow = Readonly<Record<RowColumn, string>>;

const onOff = (on: boolean): string => (on ? "on" : "off");

/** The mods in order, then the plugins in order. */
export function rowsOf(lineup: Lineup): LineupRow[] {
  const sectionName = new Map(lineup.sections.map(({ id, name }) => [id as string | null, name]));
  const mods = lineup.mods.map((mod): LineupRow => ({
    list: "mods",
    section: sectionName.get(mod.section) ?? "",
    name: mod.name,
    id: mod.id,
    version: mod.version,
    on: onOff(mod.on),
    source: mod.source,
    size: String(mod.size),
    content: mod.content,
    sha256: mod.archive ?? "",
  }));
  const plugins = lineup.plugins.map((plugin): LineupRow => ({
    list: "plugins",
    section: sectionName.get(plugin.section) ?? "",
    name: plugin.name,
    id: plugin.mod ?? "",
    version: "",
    on: onOff(plugin.on),
    source: "",
    size: "",
    content: "",
    sha256: plugin.sha256 ?? "",
  }));
  return [...mods, ...plugins];
}

const listNames = new Map<string, ListName>([
  ["mods", "mods"],
  ["plugins", "plugins"],
]);
const offWords = new Set(["off", "no", "false", "0", "-", ""]);
const sha256 = /^[0-9a-f]{64}$/;

/** A row as a line of a list; null where it names nothing. Of what is not sound in it, only what is sound is taken. */
export function lineOfRow(row: Readonly<Partial<Record<string, string>>>): ListLine | null {
  const cell = (column: RowColumn) => (Object.hasOwn(row, column) ? (row[column] ?? "").trim() : "");
  const name = cell("name") || cell("id");
  if (name === "") return null;
  const size = Number(cell("size") || Number.NaN);
  const hash = (column: "content" | "sha256") => {
    const value = cell(column).toLowerCase();
    return sha256.test(value) ? { [column]: value } : {};
  };
  const word = (column: "id" | "version" | "source" | "section") =>
    cell(column) === "" ? {} : { [column]: cell(column) };
  return {
    text: [name, cell("version")].filter(Boolean).join(" "),
    list: listNames.get(cell("list").toLowerCase()) ?? null,
    name,
    on: !Object.hasOwn(row, "on") || !offWords.has(cell("on").toLowerCase()),
    ...word("id"),
    ...word("version"),
    ...word("source"),
    ...word("section"),
    ...hash("content"),
    ...hash("sha256"),
    ...(Number.isSafeInteger(size) && size >= 0 ? { size } : {}),
  };
}
