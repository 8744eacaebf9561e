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

/** Entries of the index that one search looks at, the rarest groups first; the common ones tell little. */
const mostVisited = 4000;
/** Names that are compared letter by letter. */
const mostCompared = 24;

/** Names by the groups of three letters in them, so that only a few are compared letter by letter. */
export class NameIndex {
  private readonly postings = new Map<string, number[]>();
  /** How many of the looked-up groups a name has; all zero between searches. */
  private readonly shared: Uint8Array;

  constructor(private readonly names: readonly string[]) {
    this.shared = new Uint8Array(names.length);
    names.forEach((name, at) => {
      for (const gram of trigramsOf(name)) {
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
    return this.candidates(grams)
      .map((at) => ({ name: this.names[at]!, likeness: alike(name, grams, this.names[at]!) }))
      .filter((each) => each.likeness >= least)
      .sort((a, b) => b.likeness - a.likeness || (a.name < b.name ? -1 : 1))
      .slice(0, count);
  }

  /** Those that share the most groups. */
  private candidates(grams: ReadonlySet<string>): number[] {
    const lists = [...grams].map((gram) => this.postings.get(gram) ?? []).sort((a, b) => a.length - b.length);
    const touched: number[] = [];
    let visited = 0;
    for (const list of lists) {
      if (visited > 0 && visited + list.length > mostVisited) break;
      visited += list.length;
      for (const at of list) {
        if (this.shared[at] === 0) touched.push(at);
        if (this.shared[at]! < 255) this.shared[at]!++;
      }
    }
    const best = mostShared(touched, this.shared);
    for (const at of touched) this.shared[at] = 0;
    return best;
  }
}

/** By counting, for a name shares a few dozen groups at most. */
function mostShared(touched: readonly number[], shared: Uint8Array): number[] {
  const buckets: number[][] = [];
  for (const at of touched) (buckets[shared[at]!] ??= []).push(at);
  const best: number[] = [];
  for (let size = buckets.length - 1; size > 0 && best.length < mostCompared; size--)
    best.push(...(buckets[size] ?? []).slice(0, mostCompared - best.length));
  return best;
}

/** Dice's coefficient over the groups of three, or Levenshtein's share, whichever sees more. */
function alike(name: string, grams: ReadonlySet<string>, other: string): number {
  const others = trigramsOf(other);
  let both = 0;
  for (const gram of others) if (grams.has(gram)) both++;
  return Math.max((2 * both) / (grams.size + others.size), likeness(name, other));
}
