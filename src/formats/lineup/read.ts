import { say } from "@/core/language/say";
import type { SharedSetup } from "@/core/lineup/share";
import type { GameDefinition } from "@/core/model/game";
import { Lineup } from "@/core/model/lineup";
import type { Listing } from "@/core/model/listing";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { lineOfRow } from "@/core/lineup/rows";
import { Holds, listingOfHolds } from "../holds";
import { decodeAnyText, parseJson } from "../text";
import { readBom } from "./bom";
import { codeIn, codePattern, readCode } from "./code";
import { headInCells, linesOfCells, linesOfSheet, readCells } from "./csv";
import { lineupFrom } from "./json";
import { readMarkdown } from "./markdown";
import { dataInPage } from "./page";
import { readText, startsWithMarkup } from "./text";
import { readXml } from "./xml";
import { readYaml } from "./yaml";

/** What came in: a whole lineup, a list of names, or a code; `format` is how it was recognised. */
export type ListIn = { readonly format: string } & (
  | { readonly kind: "lineup"; readonly lineup: Lineup }
  | { readonly kind: "listing"; readonly listing: Listing }
  | { readonly kind: "code"; readonly setup: SharedSetup }
);

/** Bytes; nothing larger is looked at. */
export const largestList = 32 * 2 ** 20;
const mostLines = 20_000;
/** With empty ones, headings and talk. */
const mostRawLines = 60_000;
/** A greeting around a code is no longer. */
const longestWithCode = 200_000;

/** Reads a list in any format, which it recognises by itself; refuses it whole where it holds none. */
export function readList(bytes: Uint8Array, name: string, game: GameDefinition): Outcome<ListIn> {
  if (bytes.length > largestList)
    return refuse("too-large", {
      name,
      limit: say("common.mB", { round: Math.round(largestList / 2 ** 20) }),
    });
  const decoded = decodeAnyText(bytes, name);
  if (!decoded.ok) return decoded;
  try {
    return recognise(decoded.value, name, game);
  } catch (error) {
    // A reader that gave up, as on a value that is nested without end.
    return refuse("list-broken", { name, detail: (error as Error).message.slice(0, 200) });
  }
}

/** The lineup in a file that holds one whole, whichever its game; null of any other file. */
export function wholeLineupIn(bytes: Uint8Array): Lineup | null {
  const decoded = decodeAnyText(bytes, "list");
  if (!decoded.ok) return null;
  const text = decoded.value;
  const values: readonly (() => unknown)[] = [
    () => JSON.parse(text) as unknown,
    () => JSON.parse(dataInPage(text) ?? "null") as unknown,
    () => readYaml(text),
  ];
  for (const read of values) {
    try {
      const parsed = Lineup.safeParse(read());
      if (parsed.success) return parsed.data;
    } catch {
      // Not in this form.
    }
  }
  return null;
}

function recognise(text: string, name: string, game: GameDefinition): Outcome<ListIn> {
  const start = text.trimStart().slice(0, 1000);
  const code = text.length <= longestWithCode ? codeIn(text) : null;
  if (code !== null || codePattern.test(text.slice(-50_000))) return shared(code ?? text, name, game);
  if (/^[{[]/.test(start) && !/^\[[^\]\n"]*\]\s*\S/.test(start)) {
    const json = parseJson(text, name);
    // A text may begin with a bracket, too.
    if (json.ok || start.startsWith("{")) return json.ok ? ofValue(json.value, "JSON", name, game) : json;
  }
  if (/^<(?:!doctype html|html)\b/i.test(start)) return ofPage(text, name, game);
  if (start.startsWith("<") && !startsWithMarkup(start)) return ofXml(text, name, game);
  if (/^(?:---\s*\n)?\s*format:\s*["']?seating-lineup\//.test(start)) return ofYaml(text, name, game);
  return ofWords(text, name, game);
}

function shared(text: string, name: string, game: GameDefinition): Outcome<ListIn> {
  const setup = readCode(text);
  if (!setup.ok) return setup;
  if (setup.value.game.id !== game.id)
    return refuse("lineup-game", { name, game: setup.value.game.id, present: game.name });
  return done({ kind: "code", format: say("common.shareCode"), setup: setup.value });
}

function ofValue(value: unknown, format: string, name: string, game: GameDefinition): Outcome<ListIn> {
  const bom = readBom(value);
  if (bom) return listed(bom, say("formats.billOfMaterials"), name, game);
  if (Array.isArray(value)) {
    const rows = (value as unknown[]).map((each) => (typeof each === "string" ? { name: each } : {}));
    const lines = rows.map(lineOfRow).filter((line) => line !== null);
    return listed({ title: "", game: null, lines }, say("formats.namesInJSON"), name, game);
  }
  const holds = Holds.safeParse(value);
  if (holds.success)
    return listed(listingOfHolds(holds.data, game.version), say("formats.whatAGameOpens"), name, game);
  const lineup = lineupFrom(value, name, game);
  return lineup.ok ? done({ kind: "lineup", format, lineup: lineup.value }) : lineup;
}

function ofPage(text: string, name: string, game: GameDefinition): Outcome<ListIn> {
  const data = dataInPage(text);
  if (data === null)
    return refuse("not-a-lineup", { name, detail: say("formats.noLineupLiesInsideThisPage") });
  const json = parseJson(data, name);
  return json.ok ? ofValue(json.value, say("formats.lineupPage"), name, game) : json;
}

function ofXml(text: string, name: string, game: GameDefinition): Outcome<ListIn> {
  const listing = readXml(text);
  return listing
    ? listed(listing, "XML", name, game)
    : refuse("list-broken", { name, detail: say("formats.itIsNotValidXMLOr") });
}

function ofYaml(text: string, name: string, game: GameDefinition): Outcome<ListIn> {
  return ofValue(readYaml(text), "YAML", name, game);
}

function ofWords(text: string, name: string, game: GameDefinition): Outcome<ListIn> {
  const count = text.split("\n").length;
  if (count > mostRawLines) return refuse("list-long", { name, count, most: mostRawLines });
  const firstLine = /^.*$/m.exec(text)![0];
  // A heading may hold a comma and the word by which a column is known.
  if (/[,;\t|]/.test(firstLine.slice(0, 2000)) && !/^\s*(?:\||#+ )/.test(firstLine)) {
    const cells = readCells(text);
    const lines = linesOfCells(cells) ?? linesOfSheet(cells) ?? [];
    if (lines.length > 0) return listed({ title: "", ...headInCells(cells), lines }, "table", name, game);
  }
  const words = readText(text);
  const tables = text.match(/^\s*\|?\s*:?-{3,}:?\s*\|/gm)?.length ?? 0;
  const isMarkdown = tables > 0 || /^\s*(?:\d+[.)]|[-*+])\s+(?:\[[ xX]\]\s+)?\*\*/m.test(text);
  if (!isMarkdown) return listed(words, "text", name, game);
  // What somebody pasted may look like it in places, and lose lines when it is taken for it. The head of a table is none.
  const markdown = readMarkdown(text);
  return markdown.settings || entriesOf(markdown) >= entriesOf(words) - tables
    ? listed(markdown, say("formats.markdown"), name, game)
    : listed(words, "text", name, game);
}

const entriesOf = ({ lines }: Listing): number => lines.filter(({ aside }) => !aside).length;

function listed(listing: Listing, format: string, name: string, game: GameDefinition): Outcome<ListIn> {
  if (listing.game && listing.game.id !== game.id)
    return refuse("lineup-game", { name, game: listing.game.id, present: game.name });
  if (entriesOf(listing) === 0) return refuse("list-empty", { name });
  if (listing.lines.length > mostLines)
    return refuse("list-long", { name, count: listing.lines.length, most: mostLines });
  return done({ kind: "listing", format, listing });
}
