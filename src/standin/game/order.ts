import { XMLParser } from "fast-xml-parser";
import { Unreadable } from "./stopped";

/** Lines that stand for a name, in its first group, by the dialect. */
const lines: Record<string, RegExp> = {
  lines: /^\s*(?!#(?:\s|$))(.*?)\s*$/,
  marked: /^\s*\[[xX]\]\s+(.*?)\s*$/,
  keyed: /^\s*(?!#(?:\s|$))(.+?)\s*=\s*1\s*$/,
};

/** The names in an order file that are on, in order. */
export function namesIn(bytes: Uint8Array, dialect: string): string[] {
  const text = decode(bytes);
  if (dialect === "json") return namesInJson(text);
  if (dialect === "xml") return namesInXml(text);
  const pattern = lines[dialect]!;
  return text.split(/\r\n|\n|\r/).flatMap((line) => pattern.exec(line)?.[1] || []);
}

export function decode(bytes: Uint8Array): string {
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(bytes);
  } catch {
    throw new Unreadable("is no text");
  }
}

const isName = (value: unknown): value is string => typeof value === "string" && value !== "";

function namesInJson(text: string): string[] {
  try {
    const names: unknown = JSON.parse(text);
    return Array.isArray(names) ? names.filter(isName) : [];
  } catch {
    return [];
  }
}

function namesInXml(text: string): string[] {
  try {
    const parser = new XMLParser({ parseTagValue: false, isArray: (tag) => tag === "name" });
    const { order } = parser.parse(text) as { order?: { name?: unknown[] } };
    return (order?.name ?? []).filter(isName);
  } catch {
    return [];
  }
}
