import { say, spokenLanguage } from "@/core/language/say";
import { sha256 } from "@noble/hashes/sha2";
import { utf8ToBytes } from "@noble/hashes/utils";
import { base64 } from "@scure/base";
import { zlibSync } from "fflate";
import { parse, type DefaultTreeAdapterTypes } from "parse5";
import { shortFingerprint } from "@/core/lineup/fingerprint";
import { instructionsOf } from "@/core/lineup/instructions";
import { roleWords, termWords } from "@/core/messages/roles";
import { MODS_RANK, type GameDefinition } from "@/core/model/game";
import type { Lineup } from "@/core/model/lineup";
import type { ListName } from "@/core/model/profile";
import { seatsOf } from "@/core/roster/seats";
import { everything, fileNameOf, type LineupFormat } from "./format";
import { markup, Markup } from "./markup";
import { day, prose } from "./prose";
import { pageScript } from "./page-script";
import { pageStyle } from "./page-style";

const dataId = "seating-lineup";
const filesId = "seating-files";

/** The list in another format: behind a link, where a server offers it, or as a file inside the page. */
type PageFile = { readonly label: string } & (
  { readonly href: string } | { readonly name: string; readonly mime: string; readonly text: string }
);

/**
 * The lineup as one file that a person reads, prints and ticks off, and that Seating takes in: it lies inside as data. It
 * loads nothing, and runs no script but its own.
 */
export function lineupPage(lineup: Lineup, game: GameDefinition, files: readonly PageFile[] = []): string {
  return markup`<!doctype html>
    <html lang="${spokenLanguage().tag}">
      <head>
        <meta charset="utf-8" />
        <meta http-equiv="Content-Security-Policy" content="${policy}" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <title>${lineup.title}</title>
        <style>${new Markup(pageStyle)}</style>
      </head>
      <body data-fingerprint="${lineup.fingerprint ?? ""}">
        <main>
          ${factsPart(lineup, game)}
          ${
            files.length > 0 &&
            markup`<nav aria-label="${say("formats.takeItWithYou")}">
              <h2>${say("formats.takeItWithYou")}</h2>
              <ul class="links">
                ${files.map(fileItem)}
              </ul>
            </nav>`
          }
          ${prose(lineup)}
          <p class="search">
            <label>${say("formats.searchThisList")} <input type="search" id="search" autocomplete="off" /></label>
            <span id="found" role="status" data-text="${say("formats.shown", { shown: "{shown}", all: "{all}" })}"></span>
          </p>
          ${(["mods", "plugins"] as const).filter((list) => game.lists.includes(list)).map((list) => orderPart(lineup, list))}
          ${byHand(lineup, game)} ${thanks(lineup)}
        </main>
        ${dataScript(dataId, lineup)} ${dataScript(filesId, files.map(heldFile))}
        <script>${new Markup(pageScript)}</script>
      </body>
    </html> `.source;
}

/** Data in a script that runs nothing, with no sign in it that could end the script. */
function dataScript(id: string, data: unknown): Markup {
  const text = JSON.stringify(data).replace(
    /[<>&\u2028\u2029]/g,
    (sign) => `\\u${sign.charCodeAt(0).toString(16).padStart(4, "0")}`,
  );
  return markup`<script type="application/json" id="${id}">${new Markup(text)}</script>`;
}

const fileItem = (file: PageFile, at: number): Markup =>
  "href" in file
    ? markup`<li><a href="${file.href}" download>${file.label}</a></li>`
    : markup`<li><button type="button" data-file="${at}">${file.label}</button></li>`;

/** A file as the page's script unpacks it (RFC 1950, in base64); null of a link. */
const heldFile = (file: PageFile) =>
  "href" in file
    ? null
    : { name: file.name, mime: file.mime, data: base64.encode(zlibSync(utf8ToBytes(file.text))) };

const policy = [
  "default-src 'none'",
  "style-src 'unsafe-inline'",
  "img-src data:",
  `script-src 'sha256-${base64.encode(sha256(utf8ToBytes(pageScript)))}'`,
  "base-uri 'none'",
  "form-action 'none'",
].join("; ");

function factsPart(lineup: Lineup, game: GameDefinition): Markup {
  const on = lineup.mods.filter((mod) => mod.on);
  const rows: readonly (readonly [string, string])[] = [
    [say("common.game"), `${game.name} ${lineup.game.version}`],
    [say("common.author"), lineup.author],
    [say("common.listVersion"), lineup.listVersion],
    [say("common.date"), day(lineup.date)],
    [say("common.mods"), say("formats.onOff", { count: on.length, count2: lineup.mods.length - on.length })],
    [say("common.size"), sizeText(on.reduce((sum, mod) => sum + mod.size, 0))],
    [
      say("common.expansions"),
      lineup.expansions.map((id) => game.expansions.find((each) => each.id === id)?.name ?? id).join(", "),
    ],
  ];
  return markup`<header>
    <h1>${lineup.title}</h1>
    <dl>
      ${rows
        .filter(([, value]) => value !== "")
        .map(
          ([term, value]) =>
            markup`<div>
              <dt>${term}</dt>
              <dd>${value}</dd>
            </div>`,
        )}
      ${
        lineup.fingerprint !== undefined &&
        markup`<div class="wide">
          <dt>${say("formats.fingerprint")}</dt>
          <dd class="mono">
            <b>${shortFingerprint(lineup.fingerprint)}</b> <span class="faint">${lineup.fingerprint}</span>
          </dd>
        </div>`
      }
    </dl>
  </header>`;
}

interface PageRow {
  readonly seat: string;
  readonly section: string | null;
  readonly on: boolean;
  readonly name: string;
  readonly cells: readonly string[];
  readonly mark: string;
}

function rowsOfList(lineup: Lineup, list: ListName): PageRow[] {
  const sections = lineup.sections.filter((each) => (each.rank === MODS_RANK) === (list === "mods"));
  const items = list === "mods" ? lineup.mods : lineup.plugins.map((each) => ({ ...each, id: each.name }));
  const seats = seatsOf({ sections, entries: items.map(({ id, section }) => ({ id, section })) });
  const nameOf = new Map<string, string>(lineup.mods.map((mod) => [mod.id, mod.name]));
  const called = (ids: readonly string[] = []) => ids.map((id) => nameOf.get(id) ?? id).join(", ");
  if (list === "plugins")
    return lineup.plugins.map(({ name, on, section, mod }) => ({
      seat: seats.get(name)!,
      section,
      on,
      name,
      cells: [mod === null ? say("formats.theGameItself") : called([mod])],
      mark: "",
    }));
  return lineup.mods.map(({ id, name, version, source, size, on, section, requires, role, terms }) => ({
    seat: seats.get(id)!,
    section,
    on,
    name,
    cells: [version, sizeText(size), source, called(requires)],
    mark: [role && roleWords[role], terms && `${termWords[terms.kind]}: ${terms.where}`]
      .filter(Boolean)
      .join("; "),
  }));
}

const heads = {
  mods: ["seat", "mod", "version", "size", "from", "requires"],
  plugins: ["seat", "plugin", "comesWith"],
} as const;

function orderPart(lineup: Lineup, list: ListName): Markup {
  const rows = rowsOfList(lineup, list);
  const names = new Map(lineup.sections.map(({ id, name }) => [id as string | null, name]));
  const body = rows.map((row, at) => {
    const begins = row.section !== rows[at - 1]?.section && names.has(row.section);
    return markup`${
      begins &&
      markup`<tr class="section">
          <th colspan="${heads[list].length}" scope="rowgroup">
            ${row.seat.replace(/\d+$/, "")} ${names.get(row.section)}
          </th>
        </tr>`
    }
      <tr class="item${!row.on && " off"}">
        <td class="mono">${row.seat}</td>
        <th scope="row">
          ${row.name}${!row.on && markup` <span class="faint">${say("common.off")}</span>`}${row.mark && markup` <span class="mark">${row.mark}</span>`}
        </th>
        ${row.cells.map((cell) => markup`<td>${cell}</td>`)}
      </tr>`;
  });
  return markup`<section>
    <h2>
      ${say(`formats.inOrder.${list}`)}
      <span class="faint">${say("formats.firstAndLast")}</span>
    </h2>
    <table>
      <thead>
        <tr>
          ${heads[list].map((head) => markup`<th scope="col">${say(`formats.head.${head}`)}</th>`)}
        </tr>
      </thead>
      <tbody>
        ${body}
      </tbody>
    </table>
  </section>`;
}

function byHand(lineup: Lineup, game: GameDefinition): Markup {
  const step = ({ id, text, detail }: { id: string; text: string; detail: string }) =>
    markup`<li>
      <label
        ><input type="checkbox" data-step="${id}" />
        <span>${text}${detail && markup` <span class="faint">${detail}</span>`}</span></label
      >
    </li>`;
  return markup`<section class="by-hand">
    <h2>
      ${say("formats.byHand")}
      <span
        id="ticked"
        class="faint"
        role="status"
        data-text="${say("formats.ticked", { ticked: "{ticked}", all: "{all}" })}"
      ></span>
    </h2>
    <p class="faint">${say("formats.ticksAreKept")}</p>
    ${instructionsOf(lineup, game).map(
      ({ title, steps }) =>
        markup`<details open>
          <summary>${title} <span class="faint">${steps.length}</span></summary>
          <ol>
            ${steps.map(step)}
          </ol>
        </details>`,
    )}
  </section>`;
}

const thanks = ({ credits = [] }: Lineup): Markup | false =>
  credits.length > 0 &&
  markup`<section>
    <h2>${say("formats.thanks")}</h2>
    <ul>
      ${credits.map(({ author, mods }) => markup`<li><b>${author || say("lineup.authorNotNamed")}</b>: ${mods.join(", ")}</li>`)}
    </ul>
  </section>`;

function sizeText(bytes: number): string {
  const units = ["B", "KB", "MB", "GB"];
  let size = bytes;
  let unit = 0;
  for (; size >= 1000 && unit < units.length - 1; unit++) size /= 1000;
  return `${size >= 10 || unit === 0 ? Math.round(size) : size.toFixed(1)} ${units[unit]!}`;
}

/** The page as a file that holds the list in these formats, too, for whoever wants to take it elsewhere. */
export const pageHolding = (formats: readonly LineupFormat[]): LineupFormat => ({
  id: "page",
  get label() {
    return say("formats.pageToReadHTML");
  },
  extension: ".html",
  mime: "text/html",
  carries: everything,
  write: (lineup, game) =>
    lineupPage(
      lineup,
      game,
      formats.map((format) => ({
        label: format.label,
        name: fileNameOf(lineup.title, format, game),
        mime: format.mime,
        text: format.write(lineup, game),
      })),
    ),
});

type Node = DefaultTreeAdapterTypes.Node;

/** The text of the lineup inside a page; null where there is none. */
export function dataInPage(text: string): string | null {
  const waiting: Node[] = [parse(text)];
  for (let node = waiting.pop(); node; node = waiting.pop()) {
    if (
      "attrs" in node &&
      node.tagName === "script" &&
      node.attrs.some(({ name, value }) => name === "id" && value === dataId)
    )
      return node.childNodes.map((child) => ("value" in child ? child.value : "")).join("");
    if ("childNodes" in node) waiting.push(...node.childNodes);
  }
  return null;
}
