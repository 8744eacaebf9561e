import { XMLBuilder, XMLParser, XMLValidator } from "fast-xml-parser";
import { rowsOf } from "@/core/lineup/rows";
import { headFields, headOf, listingOfTable } from "@/core/lineup/table";
import type { Listing } from "@/core/model/listing";
import { carriedByRows, type LineupFormat } from "./format";

const attribute = "@";

export const xml: LineupFormat = {
  id: "xml",
  label: "XML",
  extension: ".xml",
  mime: "application/xml",
  carries: carriedByRows,
  write: (lineup) => {
    const attributes = (values: Readonly<Record<string, string>>) =>
      Object.fromEntries(
        Object.entries(values)
          .filter(([, value]) => value !== "")
          .map(([key, value]) => [attribute + key, value]),
      );
    const builder = new XMLBuilder({
      ignoreAttributes: false,
      attributeNamePrefix: attribute,
      format: true,
      suppressEmptyNode: true,
    });
    const rows = rowsOf(lineup);
    return builder.build({
      "?xml": { "@version": "1.0", "@encoding": "UTF-8" },
      lineup: {
        ...attributes({ title: lineup.title, ...headOf(lineup, rows) }),
        item: rows.map(attributes),
      },
    });
  },
};

/** Items below any root, or names as of an order file; null where it is no such document, or brings entities of its own. */
export function readXml(text: string): Listing | null {
  if (/<!DOCTYPE|<!ENTITY/i.test(text) || XMLValidator.validate(text) !== true) return null;
  const parser = new XMLParser({
    ignoreAttributes: false,
    attributeNamePrefix: attribute,
    parseTagValue: false,
    parseAttributeValue: false,
    isArray: (tag) => tag === "item" || tag === "name",
  });
  const roots = parser.parse(text) as Record<string, unknown>;
  const [, root] = Object.entries(roots).find(([tag]) => !tag.startsWith("?")) ?? [];
  if (!isRecord(root)) return null;
  const said = (key: string) => {
    const value = Object.hasOwn(root, attribute + key) ? root[attribute + key] : "";
    return typeof value === "string" ? value : "";
  };
  const items = Array.isArray(root.item) ? (root.item as unknown[]) : [];
  const names = Array.isArray(root.name) ? (root.name as unknown[]) : [];
  const rows = [
    ...items.map(rowOfItem),
    ...names.filter((name) => typeof name === "string").map((name) => ({ name })),
  ];
  return listingOfTable(
    said("title"),
    Object.fromEntries(headFields.map((field) => [field, said(field)])),
    rows,
  );
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** Its attributes, or its text as a name. */
function rowOfItem(item: unknown): Record<string, string> {
  const row = Object.create(null) as Record<string, string>;
  if (typeof item === "string") row.name = item;
  if (!isRecord(item)) return row;
  for (const [key, value] of Object.entries(item))
    if (key.startsWith(attribute) && typeof value === "string") row[key.slice(attribute.length)] = value;
  return row;
}
