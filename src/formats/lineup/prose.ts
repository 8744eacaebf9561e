import MarkdownIt from "markdown-it";
import { say } from "@/core/language/say";
import type { Lineup } from "@/core/model/lineup";
import { markup, Markup } from "./markup";

export const day = (date: string): string => date.slice(0, 10);

/** What looks like HTML in it is text. */
const parser = new MarkdownIt({ html: false, linkify: true });
const drawImage = parser.renderer.rules.image!;
/** Pictures from elsewhere are named, not fetched: who reads a list asks nobody for anything. */
parser.renderer.rules.image = (tokens, at, options, env, renderer) => {
  const token = tokens[at]!;
  return String(token.attrGet("src")).startsWith("data:")
    ? drawImage(tokens, at, options, env, renderer)
    : parser.utils.escapeHtml(renderer.renderInlineAsText(token.children ?? [], options, env));
};

// Items that can be ticked (GFM 0.29, 5.3), as signs: nothing on the page takes a tick for them.
parser.core.ruler.after("inline", "ticks", ({ tokens }) => {
  for (const [at, token] of tokens.entries()) {
    const first = token.type === "inline" ? token.children?.[0] : undefined;
    if (first?.type === "text" && tokens[at - 2]?.type === "list_item_open")
      first.content = first.content.replace(/^\[([ x])\](?=\s)/i, (_, mark) => (mark === " " ? "☐" : "☑"));
  }
});

const markdown = (text: string): Markup => new Markup(parser.render(text));

/** What its curator says of a list: what to expect, pictures, read-me, keys, what is still open, and what changed. */
export function prose({ note, readMe, keys = [], pictures = [], changelog = [], open = [] }: Lineup): Markup {
  return markup`${
    note &&
    markup`<section>
      <h2>${say("formats.whatToExpect")}</h2>
      ${note.split(/\n{2,}/).map((part) => markup`<p>${part}</p>`)}
    </section>`
  }
  ${
    pictures.length > 0 &&
    markup`<section class="pictures" aria-label="${say("formats.pictures")}">
      ${pictures.map(
        ({ caption, data }) =>
          markup`<figure>
            <img src="${data}" alt="${caption}" />
            <figcaption>${caption}</figcaption>
          </figure>`,
      )}
    </section>`
  }
  ${readMe && markup`<section class="read-me">${markdown(readMe)}</section>`}
  ${
    keys.length > 0 &&
    markup`<section>
      <h2>${say("formats.keys")}</h2>
      <dl class="keys">
        ${keys.map(
          ({ key, does }) =>
            markup`<div>
              <dt><kbd>${key}</kbd></dt>
              <dd>${does}</dd>
            </div>`,
        )}
      </dl>
    </section>`
  }
  ${
    open.length > 0 &&
    markup`<section>
      <details>
        <summary>${say("formats.stillOpen")} <span class="faint">${open.length}</span></summary>
        <ul>
          ${open.map((text) => markup`<li>${text}</li>`)}
        </ul>
      </details>
    </section>`
  }
  ${
    changelog.length > 0 &&
    markup`<section>
      <h2>${say("formats.whatChanged")}</h2>
      ${changelog.map(
        ({ version, date, text }) =>
          markup`<h3>${version} <span class="faint">${day(date)}</span></h3>
            ${text.split("\n").map((line) => markup`<p>${line}</p>`)}`,
      )}
    </section>`
  }`;
}
