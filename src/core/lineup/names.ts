import { distance } from "fastest-levenshtein";

/** A name as the matching compares it: without case, accents, punctuation and the words that people leave out. */
export function plainName(name: string): string {
  const words = name
    .normalize("NFKD")
    .replace(/\p{M}/gu, "")
    .toLowerCase()
    .replaceAll("&", " and ")
    .replace(/['’]/g, "")
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== "");
  const telling = words.filter((word) => !["the", "a", "an", "mod"].includes(word));
  return (telling.length > 0 ? telling : words).join(" ");
}

/** How alike two plain names are, from 0 to 1: the share of letters that need not be changed (Levenshtein's distance). */
export const likeness = (a: string, b: string): number =>
  a === b ? 1 : 1 - distance(a, b) / Math.max(a.length, b.length);

const trigramsOf = (name: string): Set<string> => {
  const padded = `  ${name} `;
  const grams = new Set<string>();
  for (let at = 0; at + 3 <= padded.length; at++) grams.add(padded.slice(at, at + 3));
  return grams;
};

/** Names by the groups of three letters in them, so that only a few are compared letter by letter. */
export class NameIndex {
  private readonly postings = new Map<string, number[]>();
  private readonly sizes: number[] = [];

  constructor(private readonly names: readonly string[]) {
    names.forEach((name, at) => {
      const grams = trigramsOf(name);
      this.sizes.push(grams.size);
      for (const gram of grams) {
        const known = this.postings.get(gram);
        if (known) known.push(at);
        else this.postings.set(gram, [at]);
      }
    });
  }

  /** The most alike, best first, at `least` or more. */
  nearest(
    name: string,
    count: number,
    least: number,
  ): { readonly name: string; readonly likeness: number }[] {
    const grams = trigramsOf(name);
    const shared = new Map<number, number>();
    for (const gram of grams)
      for (const at of this.postings.get(gram) ?? []) shared.set(at, (shared.get(at) ?? 0) + 1);
    // Dice's coefficient over the groups of three.
    const rough = [...shared].map(([at, both]) => ({
      at,
      dice: (2 * both) / (grams.size + this.sizes[at]!),
    }));
    return rough
      .sort((a, b) => b.dice - a.dice)
      .slice(0, 24)
      .map(({ at, dice }) => ({
        name: this.names[at]!,
        likeness: Math.max(dice, likeness(name, this.names[at]!)),
      }))
      .filter((each) => each.likeness >= least)
      .sort((a, b) => b.likeness - a.likeness || (a.name < b.name ? -1 : 1))
      .slice(0, count);
  }
}
