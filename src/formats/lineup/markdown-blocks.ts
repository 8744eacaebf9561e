import MarkdownIt, { type Token } from "markdown-it";

/** A piece of a line: its words, and how they are set. */
export interface Inline {
  readonly kind: "text" | "strong" | "code";
  readonly text: string;
}

/** A block of a document: of a table its rows, of a row its cells; `depth` is the level of a heading. */
export interface Block {
  readonly type: "heading" | "paragraph" | "item" | "table" | "row" | "cell" | "code" | "other";
  readonly depth: number;
  readonly inline: readonly Inline[];
  /** Of code, its lines. */
  readonly text: string;
  readonly blocks: readonly Block[];
}

/** More of each than the longest lists have; what lies within costs neither much time nor memory. */
const most = { lines: 60_000, marks: 300_000, depth: 40 };

const parser = new MarkdownIt({ html: false, linkify: false, maxNesting: most.depth });

export const textOf = (inline: readonly Inline[]): string => inline.map(({ text }) => text).join("");

/** The blocks of a text by CommonMark, with tables by GFM. Throws where it has more of anything than any list. */
export function blocksOf(text: string): Block[] {
  if (count(text, /\n/g) > most.lines) throw new Error("it has more lines than any list");
  if (count(text, /[|*_~`<&[\]]/g) > most.marks) throw new Error("it has more marks than any list");
  const tokens = parser.parse(text, {});
  // The parser leaves out what lies deeper, and that must not go unseen.
  if (tokens.some(({ level }) => level >= most.depth - 1))
    throw new Error("it is nested deeper than any list");
  return nest(tokens);
}

function count(text: string, sign: RegExp): number {
  let found = 0;
  while (sign.exec(text)) found++;
  return found;
}

const types: Readonly<Record<string, Block["type"]>> = {
  heading: "heading",
  paragraph: "paragraph",
  list_item: "item",
  table: "table",
  tr: "row",
  td: "cell",
  th: "cell",
  fence: "code",
  code_block: "code",
};

/** Head and body of a table only hold its rows. */
const isWrapping = (token: Token): boolean => /^(?:thead|tbody)_/.test(token.type);

function nest(tokens: readonly Token[]): Block[] {
  const root: Block[] = [];
  const open: { blocks: Block[]; inline: Inline[] }[] = [{ blocks: root, inline: [] }];
  for (const token of tokens) {
    if (isWrapping(token)) continue;
    if (token.type === "inline") open.at(-1)!.inline.push(...inlineOf(token.children ?? []));
    else if (token.nesting < 0) open.pop();
    else {
      const own = { blocks: [], inline: [] };
      open.at(-1)!.blocks.push({
        type: types[token.type.replace(/_open$/, "")] ?? "other",
        depth: Number(/^h(\d)$/.exec(token.tag)?.[1] ?? 0),
        text: token.content,
        ...own,
      });
      if (token.nesting > 0) open.push(own);
    }
  }
  return root;
}

function inlineOf(tokens: readonly Token[]): Inline[] {
  const found: Inline[] = [];
  let strong = 0;
  for (const token of tokens) {
    if (token.type === "strong_open") strong++;
    else if (token.type === "strong_close") strong--;
    const text = /^(?:soft|hard)break$/.test(token.type) ? "\n" : token.content;
    if (text === "") continue;
    const kind = strong > 0 ? "strong" : token.type === "code_inline" ? "code" : "text";
    found.push({ kind, text });
  }
  return found;
}
