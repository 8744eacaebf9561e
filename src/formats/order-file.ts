import { XMLParser } from "fast-xml-parser";
import type { OrderDialect } from "@/core/model/game";
import { done, type Outcome } from "@/core/model/outcome";
import { decodeText } from "./text";

/** How a file was written, so that it can be written the same way again. */
interface OrderFileStyle {
  readonly mark: boolean;
  readonly lineEnd: "\n" | "\r\n";
}

export interface OrderFile {
  /** Of what is on, in order. */
  readonly names: readonly string[];
  readonly style: OrderFileStyle;
}

/** From the lines of a text to the names of what is on, and back. What it cannot make out, it passes over. */
interface Dialect {
  readonly read: (lines: readonly string[]) => string[];
  readonly write: (names: readonly string[]) => string[];
}

/** A dialect in which every line that fits the pattern names one item; only what is on is named in its first group. */
const byLine = (pattern: RegExp, write: (name: string) => string): Dialect => ({
  read: (lines) =>
    lines
      .map((line) => pattern.exec(line)?.[1]?.trim())
      .filter((name) => name !== undefined && name !== "") as string[],
  write: (names) => names.map(write),
});

const dialects: Record<OrderDialect, Dialect> = {
  lines: byLine(/^(.*)$/s, (name) => name),
  marked: byLine(/^\s*\[[xX]\]\s+(.*)$/s, (name) => `[x] ${name}`),
  keyed: byLine(/^\s*(.+?)\s*=\s*1\s*$/s, (name) => `${name}=1`),
  json: {
    read: (lines) => namesInJson(lines.join("\n")),
    write: (names) => JSON.stringify(names, null, 2).split("\n"),
  },
  xml: {
    read: (lines) => namesInXml(lines.join("\n")),
    write: (names) => [
      '<?xml version="1.0" encoding="UTF-8"?>',
      "<order>",
      ...names.map((name) => `  <name>${escaped(name)}</name>`),
      "</order>",
    ],
  },
};

const escapes: Record<string, string> = { "&": "&amp;", "<": "&lt;", ">": "&gt;" };
const escaped = (text: string): string => text.replace(/[&<>]/g, (sign) => escapes[sign]!);

/** A document that declares entities of its own is none of ours. */
function namesInXml(text: string): string[] {
  if (/<!DOCTYPE/i.test(text)) return [];
  const parser = new XMLParser({
    parseTagValue: false,
    ignoreAttributes: true,
    isArray: (tag) => tag === "name",
  });
  try {
    const found = parser.parse(text) as { order?: { name?: unknown } };
    const names = found.order?.name;
    return (Array.isArray(names) ? (names as unknown[]) : []).filter(isName);
  } catch {
    return [];
  }
}

const isName = (value: unknown): value is string => typeof value === "string" && value !== "";

function namesInJson(text: string): string[] {
  try {
    const value: unknown = JSON.parse(text);
    return (Array.isArray(value) ? (value as unknown[]) : []).filter(isName);
  } catch {
    return [];
  }
}

export const plainStyle: OrderFileStyle = { mark: false, lineEnd: "\n" };

export function readOrderFile(bytes: Uint8Array, dialect: OrderDialect, name: string): Outcome<OrderFile> {
  const decoded = decodeText(bytes, name);
  if (!decoded.ok) return decoded;
  const { text, mark } = decoded.value;
  const lineEnd = text.includes("\r\n") ? "\r\n" : "\n";
  return done({ names: dialects[dialect].read(text.split(/\r\n|\n|\r/)), style: { mark, lineEnd } });
}

export function writeOrderFile(names: readonly string[], dialect: OrderDialect, style = plainStyle): string {
  const lines = dialects[dialect].write(names);
  return (style.mark ? "\uFEFF" : "") + lines.map((line) => line + style.lineEnd).join("");
}
