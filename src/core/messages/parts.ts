/** A piece of a sentence: plain words, or an item that the reader shows by its seat and name. */
type Part = string | { readonly item: string };
export type Sentence = readonly Part[];

export const item = (id: string | number | undefined): Part => ({ item: String(id) });

/** `say`A ${item} B`` with the values of a template as parts. */
export function sentence(strings: TemplateStringsArray, ...values: readonly (Part | number)[]): Sentence {
  const parts: Part[] = [];
  strings.forEach((text, at) => {
    if (text) parts.push(text);
    const value = values[at];
    if (value !== undefined && value !== "") parts.push(typeof value === "number" ? String(value) : value);
  });
  return parts;
}

export const plural = (count: string | number | undefined, one: string, many = `${one}s`): string =>
  `${count} ${Number(count) === 1 ? one : many}`;

/** The sentence as plain text; `name` tells how an item is called. */
export const plainText = (parts: Sentence, name: (id: string) => string = (id) => id): string =>
  parts.map((part) => (typeof part === "string" ? part : name(part.item))).join("");
