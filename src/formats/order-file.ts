import { XMLParser } from "fast-xml-parser";
import type { OrderDialect } from "@/core/model/game";
import { done, type Outcome } from "@/core/model/outcome";
import { decodeText } from "./text";

/** How a file was written, so that it can be written the same way again. */
interface OrderFileStyle {
  readonly mark: boolean;
  readonly lineEnd: "\n" | "\r\n";
}

/** What the file says of one item, as it stands there. */
interface ItemPiece {
  readonly name: string;
  readonly on: boolean;
  readonly text: string;
}

/** A piece of a file: an item, or anything else that stands between items. */
type Piece = ItemPiece | string;

export interface OrderFile {
  /** Of what is on, in order. */
  readonly names: readonly string[];
  /** Those too of which it says that they are off. */
  readonly items: readonly { readonly name: string; readonly on: boolean }[];
  readonly style: OrderFileStyle;
  /** The whole of it, piece by piece; null where nothing but its names can be kept. */
  readonly pieces: readonly Piece[] | null;
}

interface NewOrder {
  /** Of what is on, in order. */
  readonly names: readonly string[];
  /** What was there before. */
  readonly before?: OrderFile | undefined;
  /** Names that fold to the same are one item. */
  readonly fold?: (name: string) => string;
}

/** From a text to its pieces and back. `off` is missing where a file names only what is on. */
interface Dialect {
  /** Null where the text is none of this dialect. */
  readonly read: (text: string) => readonly Piece[] | null;
  readonly on: (name: string) => string;
  readonly off?: (name: string) => string;
  /** What stands before and behind everything in a file that is new. */
  readonly frame?: readonly [string, string];
}

const isItem = (piece: Piece): piece is ItemPiece => typeof piece !== "string";

/** A line of its own that is none of a name, by common practice. */
const comment = /^\s*#(\s|$)/;

interface LinePatterns {
  readonly on: RegExp;
  readonly off?: RegExp;
}

/** A dialect in which every line that fits a pattern names one item, in its first group. */
const byLine = (patterns: LinePatterns, words: Pick<Dialect, "on" | "off">): Dialect => ({
  ...words,
  read: (text) =>
    linesOf(text).map((line) => {
      if (comment.test(line)) return line;
      const on = patterns.on.exec(line)?.[1]?.trim();
      if (on) return { name: on, on: true, text: line };
      const off = patterns.off?.exec(line)?.[1]?.trim();
      return off ? { name: off, on: false, text: line } : line;
    }),
});

/** What follows the last line end is a line only if there is something. */
function linesOf(text: string): string[] {
  const lines = text.split(/\r\n|\n|\r/);
  if (lines.at(-1) === "") lines.pop();
  return lines;
}

const dialects: Record<Exclude<OrderDialect, "json">, Dialect> = {
  lines: byLine({ on: /^(.*)$/s }, { on: (name) => name }),
  marked: byLine(
    { on: /^\s*\[[xX]\]\s+(.*)$/s, off: /^\s*\[ ?\]\s+(.*)$/s },
    { on: (name) => `[x] ${name}`, off: (name) => `[ ] ${name}` },
  ),
  keyed: byLine(
    { on: /^\s*(.+?)\s*=\s*1\s*$/s, off: /^\s*(.+?)\s*=\s*0\s*$/s },
    { on: (name) => `${name}=1`, off: (name) => `${name}=0` },
  ),
  xml: {
    read: (text) => {
      const names = namesInXml(text);
      const pieces = piecesOfXml(text);
      const said = pieces.filter(isItem).map(({ name }) => name);
      return names.length === said.length && names.every((name, at) => name === said[at]) ? pieces : null;
    },
    on: (name) => `  <name>${escaped(name)}</name>`,
    frame: ['<?xml version="1.0" encoding="UTF-8"?>\n<order>', "</order>"],
  },
};

const escapes: Record<string, string> = { "&": "&amp;", "<": "&lt;", ">": "&gt;" };
const escaped = (text: string): string => text.replace(/[&<>]/g, (sign) => escapes[sign]!);
const entities: Record<string, string> = { amp: "&", lt: "<", gt: ">", quot: '"', apos: "'" };
const unescaped = (text: string): string =>
  text.replace(/&(amp|lt|gt|quot|apos);/g, (_, name: string) => entities[name]!);

/** Lines of the document, of which each that is one element with a name is an item. Comments are never looked into. */
function piecesOfXml(text: string): Piece[] {
  let inComment = false;
  return linesOf(text).map((line) => {
    const wasInComment = inComment;
    inComment = line.lastIndexOf("<!--") > line.lastIndexOf("-->") || (inComment && !line.includes("-->"));
    const name = wasInComment ? undefined : /^\s*<name>([^<]*)<\/name>\s*$/.exec(line)?.[1];
    return name === undefined || name.trim() === ""
      ? line
      : { name: unescaped(name.trim()), on: true, text: line };
  });
}

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

const plainStyle: OrderFileStyle = { mark: false, lineEnd: "\n" };

export function readOrderFile(bytes: Uint8Array, dialect: OrderDialect, name: string): Outcome<OrderFile> {
  const decoded = decodeText(bytes, name);
  if (!decoded.ok) return decoded;
  const { text, mark } = decoded.value;
  const style: OrderFileStyle = { mark, lineEnd: text.includes("\r\n") ? "\r\n" : "\n" };
  const pieces = dialect === "json" ? null : dialects[dialect].read(text);
  const items = pieces?.filter(isItem) ?? namesIn(dialect, text).map((each) => ({ name: each, on: true }));
  return done({
    names: items.filter(({ on }) => on).map((item) => item.name),
    items: items.map((item) => ({ name: item.name, on: item.on })),
    style,
    pieces,
  });
}

const namesIn = (dialect: OrderDialect, text: string): string[] =>
  dialect === "json" ? namesInJson(text) : dialect === "xml" ? namesInXml(text) : [];

/**
 * The text that says an order. Of what was there before everything stays that is no item: each comment and unknown line right
 * above the item that it stood above; and what was off stays off where it stood, if the dialect can say so.
 */
export function writeOrderFile(
  dialect: OrderDialect,
  { names, before, fold = (name) => name }: NewOrder,
): string {
  const style = before?.style ?? plainStyle;
  const lines =
    dialect === "json"
      ? JSON.stringify(names, null, 2).split("\n")
      : linesToWrite(dialects[dialect], names, before, fold);
  return (style.mark ? "\uFEFF" : "") + lines.map((line) => line + style.lineEnd).join("");
}

function linesToWrite(
  dialect: Dialect,
  names: readonly string[],
  before: OrderFile | undefined,
  fold: (name: string) => string,
): string[] {
  const [head, foot] = dialect.frame ?? [];
  const plain = () => [
    ...(head?.split("\n") ?? []),
    ...names.map(dialect.on),
    ...(foot === undefined ? [] : [foot]),
  ];
  const pieces = before?.pieces;
  if (pieces?.some(isItem)) return weave(pieces, names, dialect, fold);
  const kept = pieces && !dialect.frame ? pieces.filter((piece) => !isItem(piece)) : [];
  return [...(kept as string[]), ...plain()];
}

/** What stands before the first item and behind the last one stays there; what stands between goes with the item below it. */
function weave(
  pieces: readonly Piece[],
  names: readonly string[],
  dialect: Dialect,
  fold: (name: string) => string,
): string[] {
  const [first, last] = [pieces.findIndex(isItem), pieces.findLastIndex(isItem)];
  const wanted = new Set(names.map(fold));
  const stood = new Map<string, { readonly above: readonly string[]; readonly item: ItemPiece }>();
  let kept: string[] = [];
  for (const piece of pieces.slice(first, last + 1)) {
    if (!isItem(piece)) kept.push(piece);
    else if (!wanted.has(fold(piece.name))) kept.push(...asOff(piece, dialect));
    else if (!stood.has(fold(piece.name))) {
      stood.set(fold(piece.name), { above: kept, item: piece });
      kept = [];
    }
  }
  const linesOfName = (name: string): string[] => {
    const there = stood.get(fold(name));
    if (!there) return [dialect.on(name)];
    const { above, item } = there;
    return [...above, item.on && item.name === name ? item.text : dialect.on(name)];
  };
  const text = pieces.map((piece) => (isItem(piece) ? piece.text : piece));
  return [...text.slice(0, first), ...names.flatMap(linesOfName), ...kept, ...text.slice(last + 1)];
}

/** What does not load any more: said to be off, or nothing where that cannot be said. */
function asOff({ name, on, text }: ItemPiece, { off }: Dialect): string[] {
  if (!on) return [text];
  return off ? [off(name)] : [];
}
