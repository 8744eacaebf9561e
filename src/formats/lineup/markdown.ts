import { say } from "@/core/language/say";
import type { Aspect } from "@/core/lineup/losses";
import type { Lineup } from "@/core/model/lineup";
import type { Listing, ListLine } from "@/core/model/listing";
import type { ListName } from "@/core/model/profile";
import { rowsOf, type LineupRow } from "@/core/lineup/rows";
import { settingsText } from "@/core/lineup/table";
import { headInCells, linesOfCells } from "./csv";
import type { LineupFormat } from "./format";
import { blocksOf, textOf, type Block, type Inline } from "./markdown-blocks";
import { headingOf, isByline, isHeading, lineOfText, type WholeList } from "./text";

/**
 * Text in which no sign means anything to Markdown, within a line (CommonMark 0.31: punctuation can be escaped), nor makes
 * a link by itself (GFM 0.29, section 6.9: after `www`, in `://`, and around `@`).
 */
export const markdownText = (text: string): string =>
  text.replace(/[\\`*_[\]<>|&#~@]|:(?=\/\/)|(?<=www)\./gi, "\\$&");

const head = (lineup: Lineup): string[] => {
  const { title, game, author, listVersion, fingerprint } = lineup;
  return [
    `# ${markdownText(title)}`,
    "",
    `Game: ${markdownText(game.id)} ${markdownText(game.version)}`,
    ...[author && `by ${markdownText(author)}`, listVersion && `version ${markdownText(listVersion)}`].filter(
      Boolean,
    ),
    `Settings: \`${settingsText(lineup).replaceAll("`", "\\u0060")}\``,
    ...(fingerprint === undefined ? [] : [`Fingerprint: \`${fingerprint}\``]),
  ];
};

const lists: readonly (readonly [ListName, string])[] = [
  ["mods", "Mods"],
  ["plugins", "Plugins"],
];

/** Rows of one list, those of a section together. */
function bySection(rows: readonly LineupRow[]): (readonly [section: string, rows: LineupRow[]])[] {
  const groups: (readonly [string, LineupRow[]])[] = [];
  for (const row of rows) {
    if (groups.at(-1)?.[0] !== row.section) groups.push([row.section, []]);
    groups.at(-1)![1].push(row);
  }
  return groups;
}

const inList = (lineup: Lineup, list: ListName) => rowsOf(lineup).filter((row) => row.list === list);

const asList = (row: LineupRow, at: number): string =>
  [
    `${at + 1}. [${row.on === "on" ? "x" : " "}] **${markdownText(row.name)}**`,
    row.version && markdownText(row.version),
    row.list === "mods" && `(\`${row.id}\`)`,
  ]
    .filter(Boolean)
    .join(" ");

const carried: readonly Aspect[] = ["off", "versions", "plugins", "mods", "sections", "settings"];

export const markdownList: LineupFormat = {
  id: "markdown-list",
  get label() {
    return say("formats.markdownAList");
  },
  extension: ".list.md",
  mime: "text/markdown",
  carries: carried,
  write: (lineup) =>
    [
      ...head(lineup),
      ...lists.flatMap(([list, title]) => {
        const rows = inList(lineup, list);
        const sections = bySection(rows).flatMap(([section, some]) => [
          ...(section === "" ? [] : ["", `### ${markdownText(section)}`]),
          "",
          ...some.map(asList),
        ]);
        return rows.length === 0 ? [] : ["", `## ${title}`, ...sections];
      }),
      "",
    ].join("\n"),
};

const tableColumns = ["on", "name", "version", "section", "id", "source"] as const;
/** These stand there only where a mod of the list has any. */
const rareColumns = ["parts", "left-out"] as const;

export const markdownTable: LineupFormat = {
  id: "markdown-table",
  get label() {
    return say("formats.markdownATable");
  },
  extension: ".table.md",
  mime: "text/markdown",
  carries: [...carried, "parts", "left-out"],
  write: (lineup) =>
    [
      ...head(lineup),
      ...lists.flatMap(([list, title]) => {
        const rows = inList(lineup, list);
        const columns = [
          ...tableColumns,
          ...rareColumns.filter((column) => rows.some((row) => row[column] !== "")),
        ];
        const line = (cells: readonly string[]) => `| ${cells.join(" | ")} |`;
        return rows.length === 0
          ? []
          : [
              "",
              `## ${title}`,
              "",
              line(columns),
              line(columns.map(() => "---")),
              ...rows.map((row) => line(columns.map((column) => markdownText(row[column])))),
            ];
      }),
      "",
    ].join("\n"),
};

/**
 * Lists and tables, in the order in which they stand; a heading says what stands below it. Throws where it is nested or marked up
 * beyond any list.
 */
export const readMarkdown = (text: string): Listing => new MarkdownReader().read(blocksOf(text));

/** How an item that can be ticked begins (GFM 0.29, 5.3). */
const tick = /^\[([ x])\]\s+/i;

class MarkdownReader {
  private readonly lines: ListLine[] = [];
  private title = "";
  private said: WholeList = {};
  private list: ListName | null = null;
  private section: string | null = null;

  read(blocks: readonly Block[]): Listing {
    for (const block of blocks) this.take(block);
    const { title, said, lines } = this;
    return { title, game: null, ...said, lines };
  }

  private take({ type, depth, inline, text, blocks }: Block): void {
    if (type === "heading") this.takeHeading(textOf(inline), depth);
    else if (type === "item") this.takeItem(blocks);
    else if (type === "table") this.takeTable(blocks);
    else if (type === "paragraph") this.takeParagraph(textOf(inline));
    else if (type === "code") this.takeParagraph(text);
    else blocks.forEach((block) => this.take(block));
  }

  private takeHeading(text: string, depth: number): void {
    const heading = headingOf(text);
    if (heading.list && depth < 3) [this.list, this.section] = [heading.list, null];
    else if (depth === 1) this.title ||= text;
    else this.section = text;
    this.said = { ...heading.whole, ...this.said };
  }

  private takeItem(blocks: readonly Block[]): void {
    const [first, ...rest] = blocks;
    if (first?.type === "paragraph") this.add(this.lineOf(first.inline));
    for (const block of first?.type === "paragraph" ? rest : blocks) this.take(block);
  }

  /** What is set strong is the name, what is set as code behind it the id; else the line is read as any text. */
  private lineOf(all: readonly Inline[]): ListLine | null {
    const ticked = all[0]?.kind === "text" ? tick.exec(all[0].text) : null;
    const checked = ticked && ticked[1] !== " ";
    const inline = ticked ? withoutStart(all, ticked[0].length) : all;
    const text = textOf(inline);
    const behind = inline.findIndex(({ kind }) => kind !== "strong");
    const rest = behind < 0 ? [] : inline.slice(behind);
    if (inline[0]?.kind !== "strong") {
      const line = lineOfText(text);
      return line && { ...line, on: checked ?? line.on };
    }
    const at = rest.findIndex(({ kind }) => kind === "code");
    const id = at < 0 ? null : rest[at]!.text;
    const between = textOf(at < 0 ? rest : rest.slice(0, at));
    // Before an id, all of it is the version; else it may be anything that somebody wrote, beginning with a version.
    const version = id === null ? /^\s*v?(\S+)/.exec(between)?.[1] : between.replace(/\($/, "").trim();
    const name = textOf(behind < 0 ? inline : inline.slice(0, behind));
    return {
      text,
      list: null,
      name,
      on: checked ?? true,
      ...(version ? { version } : {}),
      ...(id === null ? {} : { id }),
    };
  }

  private takeTable(rows: readonly Block[]): void {
    const cells = rows.map((row) => row.blocks.map(({ inline }) => textOf(inline)));
    // What has no column for it was written by one that has none of it.
    const blank = this.said.settings === undefined ? {} : { parts: "", "left-out": "" };
    for (const line of linesOfCells(cells, blank) ?? []) this.add(line);
    const { game, ...said } = headInCells(cells);
    this.said = { ...said, ...(game && { game }), ...this.said };
  }

  private takeParagraph(text: string): void {
    for (const part of text.split("\n")) {
      const heading = headingOf(part);
      this.said = { ...heading.whole, ...this.said };
      if (heading.list) this.list = heading.list;
      else if (!isHeading(heading)) this.addProse(part);
    }
  }

  /** Above any list or heading of one, a line may be a name as well as talk; the matching finds out. Within one it stands beside. */
  private addProse(text: string): void {
    const line = lineOfText(text);
    const isAside = this.list !== null || isByline(text);
    if (line) this.add(isAside ? { ...line, aside: true } : line);
  }

  private add(line: ListLine | null): void {
    if (!line) return;
    this.lines.push({
      ...line,
      list: line.list ?? this.list,
      ...(line.section === undefined && this.section !== null ? { section: this.section } : {}),
    });
  }
}

/** Without its first signs, which stand in its first piece. */
function withoutStart([first, ...rest]: readonly Inline[], length: number): Inline[] {
  const text = first!.text.slice(length);
  return text === "" ? rest : [{ ...first!, text }, ...rest];
}
