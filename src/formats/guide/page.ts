import MarkdownIt from "markdown-it";
import type { GuidePageId } from "@/core/model/guide";

export interface GuidePart {
  /** Empty before the first heading of a part. */
  readonly id: string;
  readonly title: string;
  /** Made of the text; what looks like HTML in it is text. */
  readonly html: string;
  /** The same without marks, to search in. */
  readonly text: string;
}

export interface GuidePage {
  readonly id: GuidePageId;
  readonly title: string;
  readonly parts: readonly GuidePart[];
}

const parser = new MarkdownIt({ html: false });

/** A page of the guide as it is written (CommonMark): a heading of level 1, then parts under headings of level 2. */
export function readGuidePage(id: GuidePageId, markdown: string): GuidePage {
  const [head = "", ...rest] = markdown.split(/^(?=## )/m);
  const [title, intro] = cutHeading(head);
  return {
    id,
    title,
    parts: [
      guidePart("", title, intro),
      ...rest.map((part, at) => guidePart(String(at + 1), ...cutHeading(part))),
    ],
  };
}

/** A part of its own, as the glossary has one for each word. */
export const guidePart = (id: string, title: string, markdown: string): GuidePart => ({
  id,
  title,
  html: parser.render(markdown),
  text: plain(markdown),
});

function cutHeading(markdown: string): [title: string, rest: string] {
  const [, title = "", rest = ""] = /^#+ (.*)\n?([\s\S]*)$/.exec(markdown.trim()) ?? [];
  return [title.trim(), rest.trim()];
}

function plain(markdown: string): string {
  const pieces: string[] = [];
  for (const { type, children } of parser.parse(markdown, {})) {
    if (type !== "inline") continue;
    for (const child of children ?? []) pieces.push(child.type === "softbreak" ? " " : child.content);
    pieces.push(" ");
  }
  return pieces.join("").replace(/\s+/g, " ").trim();
}
