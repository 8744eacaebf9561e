import { XMLValidator } from "fast-xml-parser";
import { asPattern } from "@/core/as-pattern";
import { say } from "@/core/language/say";
import { lineEndOf, Unfit, type SettingsLanguage } from "./language";

/** An element: where its first tag stands, and what it holds; `close` is where its last tag begins, null where it has none. */
interface Element {
  readonly name: string;
  readonly start: number;
  readonly open: number;
  close: number | null;
  end: number;
  readonly children: Element[];
}

const token =
  /<!--[\s\S]*?-->|<!\[CDATA\[[\s\S]*?\]\]>|<\?[\s\S]*?\?>|<![^>]*>|<\/([^\s>]+)\s*>|<([^\s/>]+)(?:[^>"']|"[^"]*"|'[^']*')*?(\/?)>/g;

/** The whole of a text that XML 1.0 allows, above all of its elements. */
function treeOf(text: string): Element {
  if (XMLValidator.validate(text) !== true) throw new Unfit(say("settings.noXml"));
  const root: Element = { name: "", start: 0, open: 0, close: text.length, end: text.length, children: [] };
  const above = [root];
  for (const found of text.matchAll(token)) {
    const [whole, closing, opening, isEmpty] = found;
    const after = found.index + whole.length;
    if (closing !== undefined) {
      const element = above.pop()!;
      element.close = found.index;
      element.end = after;
    } else if (opening !== undefined) {
      const element = {
        name: opening,
        start: found.index,
        open: after,
        close: null,
        end: after,
        children: [],
      };
      above.at(-1)!.children.push(element);
      if (!isEmpty) above.push(element);
    }
  }
  return root;
}

interface Place {
  readonly names: readonly string[];
  readonly attribute: string | null;
}

/** The paths of XPath 1.0 that only go down by name: `/options/view`, or `/options/view/@width`. */
function placeOf(at: string): Place {
  const found = /^((?:\/[\p{L}_][\p{L}\p{N}_.:-]*)+)(?:\/@([\p{L}_][\p{L}\p{N}_.:-]*))?$/u.exec(at);
  if (!found) throw new Unfit(say("settings.noXmlPath", { at }));
  return { names: found[1]!.slice(1).split("/"), attribute: found[2] ?? null };
}

/** The elements that are there on the way down, the whole first. */
function wayDown(root: Element, names: readonly string[]): Element[] {
  const way = [root];
  for (const name of names) {
    const next = way.at(-1)!.children.find((child) => child.name === name);
    if (!next) break;
    way.push(next);
  }
  return way;
}

const attributeIn = (tag: string, name: string) =>
  new RegExp(`(\\s+)${asPattern(name)}(\\s*=\\s*)("[^"]*"|'[^']*')`, "u").exec(tag);

const escaped = (text: string): string =>
  text
    .replaceAll("&", "&amp;")
    .replaceAll("<", "&lt;")
    .replaceAll(">", "&gt;")
    .replaceAll('"', "&quot;")
    .replaceAll("'", "&apos;");

const spliced = (text: string, from: number, to: number, by: string): string =>
  text.slice(0, from) + by + text.slice(to);

/** Attributes and elements that hold a text; of several of a name the first. */
export const xml: SettingsLanguage = {
  blank: "",
  written: (value) => escaped(String(value)),
  read: (text, at) => {
    if (text.trim() === "") return null;
    const { names, attribute } = placeOf(at);
    const way = wayDown(treeOf(text), names);
    if (way.length <= names.length) return null;
    const element = way.at(-1)!;
    if (attribute !== null)
      return attributeIn(text.slice(element.start, element.open), attribute)?.[3]!.slice(1, -1) ?? null;
    if (element.children.length > 0) throw new Unfit(say("settings.notBelow", { at }));
    return element.close === null ? "" : text.slice(element.open, element.close);
  },
  write: (text, at, written) => {
    const { names, attribute } = placeOf(at);
    if (text.trim() === "" && written === null) return text;
    let whole = text.trim() === "" ? `<${names[0]}>\n</${names[0]}>\n` : text;
    for (;;) {
      const way = wayDown(treeOf(whole), names);
      if (way.length === 1) throw new Unfit(say("settings.otherRoot", { name: names[0]! }));
      const element = way.at(-1)!;
      const missing = names[way.length - 1];
      if (missing === undefined)
        return attribute === null
          ? withContents(whole, element, written, at)
          : withAttribute(whole, element, attribute, written);
      if (written === null) return whole;
      whole = withChild(whole, element, missing, way.length - 1);
    }
  },
};

function withAttribute(text: string, { start, open }: Element, name: string, written: string | null): string {
  const tag = text.slice(start, open);
  const found = attributeIn(tag, name);
  if (found) {
    const from = start + found.index;
    const by = written === null ? "" : `${found[1]}${name}${found[2]}${quoted(written)}`;
    return spliced(text, from, from + found[0].length, by);
  }
  if (written === null) return text;
  const end = start + /\s*\/?>$/.exec(tag)!.index;
  return spliced(text, end, end, ` ${name}=${quoted(written)}`);
}

/** What stood in one kind of quotes may hold the other. */
const quoted = (written: string): string => (written.includes('"') ? `'${written}'` : `"${written}"`);

function withContents(text: string, element: Element, written: string | null, at: string): string {
  if (element.children.length > 0) throw new Unfit(say("settings.notBelow", { at }));
  if (written === null) {
    const before = /[ \t]*(?:\r?\n[ \t]*)?$/.exec(text.slice(0, element.start))![0].length;
    return spliced(text, element.start - before, element.end, "");
  }
  if (element.close !== null) return spliced(text, element.open, element.close, written);
  const tag = text.slice(element.start, element.open).replace(/\s*\/>$/, ">");
  return spliced(text, element.start, element.open, `${tag}${written}</${element.name}>`);
}

/** With an empty element more, as the last one within another. */
function withChild(text: string, within: Element, name: string, depth: number): string {
  const end = lineEndOf(text);
  const step = /\n([ \t]+)</.exec(text)?.[1] ?? "  ";
  const [indent, outer] = [step.repeat(depth), step.repeat(depth - 1)];
  const child = `<${name}></${name}>`;
  if (within.close === null) {
    const tag = text.slice(within.start, within.open).replace(/\s*\/>$/, ">");
    return spliced(
      text,
      within.start,
      within.open,
      `${tag}${end}${indent}${child}${end}${outer}</${within.name}>`,
    );
  }
  const gap = /\s*$/.exec(text.slice(within.open, within.close))![0];
  return spliced(text, within.close - gap.length, within.close, `${end}${indent}${child}${end}${outer}`);
}
