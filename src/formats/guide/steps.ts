import MarkdownIt from "markdown-it";

/** What a step names, in the order in which it is done: a control, what is typed, keys, and what is to be seen then. */
export type Named =
  | { readonly kind: "control"; readonly name: string }
  | { readonly kind: "typed"; readonly text: string }
  | { readonly kind: "keys"; readonly keys: string }
  | { readonly kind: "seen"; readonly text: string };

const parser = new MarkdownIt({ html: false });

/**
 * The steps of a page of the guide: its numbered lists, item by item. A control stands in bold, what is typed in backticks, keys in
 * italics, and what is to be seen in quotation marks.
 */
export function guideSteps(markdown: string): Named[][] {
  const steps: Named[][] = [];
  let isNumbered = false;
  for (const { type, children } of parser.parse(markdown, {})) {
    if (type === "ordered_list_open") isNumbered = true;
    if (type === "ordered_list_close") isNumbered = false;
    if (isNumbered && type === "list_item_open") steps.push([]);
    if (isNumbered && type === "inline") steps.at(-1)?.push(...namedIn(children ?? []));
  }
  return steps;
}

type Token = ReturnType<typeof parser.parse>[number];

function namedIn(tokens: readonly Token[]): Named[] {
  const named: Named[] = [];
  // What stands in one marking, or between two; a line may end inside it.
  let text = "";
  const end = (of: (text: string) => readonly Named[]) => {
    named.push(...of(text));
    text = "";
  };
  for (const { type, content } of tokens) {
    if (type === "softbreak") text += " ";
    else if (type === "text") text += content;
    else if (type === "strong_close") end((name) => [{ kind: "control", name }]);
    else if (type === "em_close") end((keys) => [{ kind: "keys", keys }]);
    else end(seenIn);
    if (type === "code_inline") named.push({ kind: "typed", text: content });
  }
  end(seenIn);
  return named;
}

const seenIn = (text: string): Named[] =>
  [...text.matchAll(/[“„]([^”“]+)[”“]/g)].map(([, seen]) => ({ kind: "seen", text: seen! }));
