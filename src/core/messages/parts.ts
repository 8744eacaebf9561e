import { sayPieces, type TextKey, type Values } from "../language/say";

/** A piece of a sentence: plain words, or an item that the reader shows by its seat and name. */
type Part = string | { readonly item: string };
export type Sentence = readonly Part[];

export const item = (id: string | number | undefined): Part => ({ item: String(id) });

/** A text whose values may be items, and sentences that hold some. */
export function sentence(text: TextKey, values: Values<Sentence | Part> = {}): Sentence {
  const parts: Part[] = [];
  for (const piece of sayPieces(text, values as Values<object>)) parts.push(...flat(piece));
  return parts;
}

function flat(piece: string | object): Sentence {
  if (Array.isArray(piece)) return piece as Sentence;
  return piece === "" ? [] : [piece as Part];
}

/** The sentence as plain text; `name` tells how an item is called. */
export const plainText = (parts: Sentence, name: (id: string) => string = (id) => id): string =>
  parts.map((part) => (typeof part === "string" ? part : name(part.item))).join("");
