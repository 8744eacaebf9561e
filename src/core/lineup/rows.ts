import canonicalize from "canonicalize";
import { z } from "zod";
import type { Lineup, LineupMod } from "../model/lineup";
import type { ListLine } from "../model/listing";
import { Choice, type ListName } from "../model/profile";

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
  "parts",
  "left-out",
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
    parts: partsCell(mod),
    "left-out": mod.hidden.length > 0 ? canonicalize([...mod.hidden].sort())! : "",
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
    parts: "",
    "left-out": "",
  }));
  return [...mods, ...plugins];
}

const Parts = Choice.pick({ options: true, components: true });

/** JSON (RFC 8259) of what is taken of a package; empty where nothing is. */
function partsCell({ options, components }: LineupMod): string {
  if (components.length + Object.keys(options).length === 0) return "";
  const sorted = Object.entries(options).map(([question, parts]) => [question, [...parts].sort()] as const);
  return canonicalize({ options: Object.fromEntries(sorted), components: [...components].sort() })!;
}

/** What a text of JSON says; nothing where it is not sound. */
export function jsonIn<T>(schema: z.ZodType<T>, text: string): T | undefined {
  try {
    return schema.safeParse(JSON.parse(text) as unknown).data;
  } catch {
    return undefined;
  }
}

/** What a row of a mod says of its parts and files; a table without these columns says nothing of them. */
function chosenIn(row: Readonly<Partial<Record<string, string>>>): Pick<ListLine, "parts" | "leftOut"> {
  const cell = (column: "parts" | "left-out") =>
    Object.hasOwn(row, column) ? row[column]?.trim() : undefined;
  const [parts, files] = [cell("parts"), cell("left-out")];
  const said = <T>(text: string | undefined, schema: z.ZodType<T>, blank: T) =>
    text === "" ? blank : text === undefined ? undefined : jsonIn(schema, text);
  const taken = said(parts, Parts, { options: {}, components: [] });
  const leftOut = said(files, z.array(z.string()), []);
  return { ...(taken && { parts: taken }), ...(leftOut && { leftOut }) };
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
    ...chosenIn(row),
  };
}
