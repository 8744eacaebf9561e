import type { Listing, ListLine, NamedVersion } from "@/core/model/listing";
import type { ListName } from "@/core/model/profile";
import { saidByHead } from "@/core/lineup/table";

/**
 * Lists as people write them: in a forum, a note, a document. A line is freed of what stands around the name: bullets,
 * numbering, marks, links, comments, "needs …", trailing versions.
 */
export function readText(text: string): Listing {
  const lines: ListLine[] = [];
  let title = "";
  let said: WholeList = {};
  let list: ListName | null = null;
  for (const raw of linesOf(text)) {
    // "#3 name" is numbering, and no comment.
    const comment =
      /^\s*(?:#+(?!\d{1,5}[.):]?\s)|\/\/|;|--)\s*(.*)$/.exec(raw)?.[1] ??
      /^\s*\[(?!\s*\d{1,5}\s*\])([^\]]{2,})\]\s*$/.exec(raw)?.[1];
    const heading = headingOf(comment ?? raw);
    said = { ...heading.whole, ...said };
    if (heading.list) list = heading.list;
    if (isHeading(heading)) continue;
    // Behind the first entry it is a heading within the list.
    const isFirst = title === "" && lines.every(({ aside }) => aside);
    const isTitle = comment !== undefined && isFirst && comment.trim() !== "";
    if (isTitle) title = comment.trim();
    const line = isTitle ? null : lineOfText(comment ?? raw);
    const isAside = comment !== undefined || (list === null && isByline(raw));
    if (line) lines.push({ ...line, list: line.list ?? list, ...(isAside ? { aside: true } : {}) });
  }
  return { title, game: null, ...said, lines };
}

const tagNames =
  "b|strong|i|em|u|s|del|strike|span|font|a|img|br|hr|p|div|ul|ol|li|code|pre|center|small|sup|sub|h[1-6]|blockquote|table|tbody|thead|tr|td|th|details|summary";
const htmlTag = new RegExp(`</?(?:${tagNames})(?:\\s[^<>]*)?/?>`, "gi");
/** What somebody copied from a page, which is no document of its own. */
export const startsWithMarkup = (text: string): boolean =>
  new RegExp(`^</?(?:${tagNames})[\\s/>]`, "i").test(text);

const breakingTag = /<(?:br|hr|\/li|\/p|\/div|\/tr|\/h[1-6]|li)(?:\s[^<>]*)?\/?>/gi;
const boardTag =
  /\[\/?(?:b|i|u|s|url|list|quote|code|color|colour|size|font|img|center|spoiler|hr|h[1-6])(?:=[^\]\n]*)?\]/gi;
const entities: Readonly<Record<string, string>> = {
  amp: "&",
  lt: "<",
  gt: ">",
  quot: '"',
  apos: "'",
  nbsp: " ",
};

/** Lines of words: freed of what is left of boards' and pages' markup, a line for each entry of a list in it. */
function linesOf(text: string): string[] {
  const plain = text
    .replace(breakingTag, "\n")
    .replace(htmlTag, "")
    .replace(/\[\*\]/g, "\n- ")
    .replace(boardTag, "")
    .replace(/&(amp|lt|gt|quot|apos|nbsp);/g, (_, name: string) => entities[name]!)
    .replace(/&#(\d{2,5});/g, (_, code: string) => String.fromCharCode(Number(code)));
  return plain.split(/\r\n|\n|\r/).filter((line) => !/^\s*(?:```|~~~)\s*\w*\s*$/.test(line));
}

/** Who made a list, and which version it is, above its entries. */
export const isByline = (text: string): boolean => /^(?:by|version) /.test(text);

/** What a line says of the whole list, or of the lines below it. */
interface Heading {
  readonly list: ListName | null;
  readonly whole: WholeList;
}
export type WholeList = Partial<Pick<Listing, "game" | "fingerprint" | "settings">>;

export const isHeading = ({ list, whole }: Heading): boolean =>
  list !== null || Object.keys(whole).length > 0;

/** Which list the lines below are of, of which game it is, its settings, or the fingerprint that its author's Seating wrote. */
export function headingOf(text: string): Heading {
  const told = /^\W*(?:game)\s*:\s*(\S+)\s+(\S+)\s*$/i.exec(text);
  if (told) return { list: null, whole: { game: { id: told[1]!, version: told[2]! } } };
  const proof = /^\W*fingerprint\s*:\W*([0-9a-f]{64})\W*$/i.exec(text)?.[1];
  if (proof !== undefined) return { list: null, whole: { fingerprint: proof.toLowerCase() } };
  const settings = /^\W*settings\s*:[^{]*(\{.*\})\W*$/i.exec(text)?.[1];
  const { settings: sound } = saidByHead({ settings });
  if (sound) return { list: null, whole: { settings: sound } };
  const word = /^[\W\d]*(mods|plugins)\b[^\p{L}]*(?:(?:in|by)\s+(?:load\s+)?order)?\W*$/iu.exec(text)?.[1];
  return { list: word ? (word.toLowerCase() as ListName) : null, whole: {} };
}

const bullet =
  /^(?:[-*•–—·‣▪+>]+|\(?\d{1,5}[.):]|\[\s*\d{1,5}\s*\]|#\d{1,5}[.):]?|[a-z]\)|[A-Z]\d{1,4}(?=\s))\s+/u;
const onMark = /^(?:\[[xX✓✔]\]|[✓✔☑✅])\s*/u;
const offMark = /^(?:\[\s?\]|[✗✘☐❌])\s*/u;
const needsPart =
  /\s*[-–—(,;:[]*\s*\b(?:needs|requires|depends on|required:|requires:)\s+([^()[\]]+)[)\]]?\s*$/i;
const neededByPart = /\s*[-–—(,;:[]*\s*\b(?:needed|required|used|wanted)\s+by\s+\S.*$/i;
const status =
  /\s*[-–—(,;:|[]*\s*\b(?:status|state)\s*[:=]\s*(off|disabled|inactive|on|enabled|active)\b[)\]]?/i;
const stateWord =
  /\s*[([]\s*(off|disabled|inactive|on|enabled|active|optional|required|essential)\s*[)\]]\s*$/i;
const comment = /\s+(?:#|\/\/|<-+|--+|←|–|—)\s*\S.*$/u;
const bracketed = /\s*[([]\s*(?:v|version\s+)?(\d[\w.+-]*)\s*[)\]]\s*$/i;
const trailing = /[\s_-]+(?:v|version\s+)?(\d+(?:\.\d+)+[a-z]?(?:-[0-9a-z.-]+)?|v\d+)$/i;
const keyedLine = /^(.+?)\s*=\s*([01])$/;
const bareNumber = /[\s_-]+v(\d+)$/i;

const isName = (words: string): boolean => /[\p{L}\p{N}]/u.test(words);

/** The name at the start, without a version that follows it. */
function namedIn(words: string): NamedVersion {
  const rest = words.replace(/[,;:]+$/, "");
  const version = bracketed.exec(rest) ?? trailing.exec(rest) ?? bareNumber.exec(rest);
  const isBehind = version !== null && version.index > 0;
  const name = (isBehind ? rest.slice(0, version.index) : rest).replace(/^["“'«]+|["”'»]+$/g, "").trim();
  return {
    name: name.slice(0, 500),
    ...(isBehind ? { version: version[1]!.replace(/^v/i, "") } : {}),
  };
}

/** The name in a line, with what else it says; null where nothing is left that could be one. */
export function lineOfText(raw: string): ListLine | null {
  const text = raw
    .replace(/[\p{Cc}\p{Cs}\u200B-\u200F\u2060\uFEFF]/gu, " ")
    .trim()
    .slice(0, 600);
  let rest = text;
  const uncut = [text.replace(onMark, "").replace(offMark, "")];
  let on = true;
  let source: string | undefined;
  for (let before = ""; before !== rest;) {
    before = rest;
    rest = rest.replace(bullet, "").replace(onMark, "");
    if (offMark.test(rest)) [rest, on] = [rest.replace(offMark, ""), false];
  }
  uncut.push(rest);
  rest = rest.replace(/\[([^\]]+)\]\(([^)\s]+)\)/g, (_, words: string, link: string) => {
    source ??= link;
    return words;
  });
  rest = rest.replace(/\bhttps?:\/\/\S+/gi, (link) => ((source ??= link), "")).replace(/[*`]+|__+|~~/g, "");
  const keyed = keyedLine.exec(rest.trim());
  if (keyed) [rest, on] = [keyed[1]!, keyed[2] === "1"];
  const told = status.exec(rest);
  if (told && told.index > 0) {
    rest = rest.replace(status, "");
    if (/off|disabled|inactive/i.test(told[1]!)) on = false;
  }
  rest = rest.replace(neededByPart, "") || rest;
  const needs = needsPart.exec(rest);
  if (needs && needs.index > 0) rest = rest.slice(0, needs.index);
  for (let state = stateWord.exec(rest); state; state = stateWord.exec(rest)) {
    rest = rest.slice(0, state.index);
    if (/off|disabled|inactive/i.test(state[1]!)) on = false;
  }
  rest = rest.replace(comment, "").trim();
  const whole = uncut.map((each) => (keyedLine.exec(each)?.[1] ?? each).trim());
  const readings = [
    ...whole.flatMap((name): NamedVersion[] => [{ name: name.slice(0, 500) }, namedIn(name)]),
    namedIn(rest.replace(/\.(?:zip|7z|rar)$/i, "")),
  ].filter(({ name }, at, all) => isName(name) && name !== all[at - 1]?.name);
  const named = readings.pop();
  if (!named) return null;
  return {
    text,
    list: null,
    ...named,
    on,
    ...(readings.length > 0 ? { uncut: readings } : {}),
    ...(needs && needs.index > 0 ? { needs: needs[1]!.trim() } : {}),
    ...(source === undefined ? {} : { source }),
  };
}
