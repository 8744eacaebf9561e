import Searcher from "@leeoniya/ufuzzy";

/** Letters of every script; one slip a word: a letter too many, too few, another one, or two turned round. */
const searcher = new Searcher({
  unicode: true,
  interSplit: "[^\\p{L}\\d']+",
  intraSplit: "\\p{Ll}\\p{Lu}",
  intraBound: "\\p{L}\\d|\\d\\p{L}|\\p{Ll}\\p{Lu}",
  intraChars: "[\\p{L}\\d']",
  intraContr: "'\\p{L}{1,2}\\b",
  intraMode: 1,
  intraSub: 1,
  intraTrn: 1,
  intraDel: 1,
  intraIns: 1,
});
const wordOrders = 1;
const mostRanked = 20_000;

/** Indices of the texts that hold the words, in any order and with a slip in each, the best first; null for no words. */
export function searchTexts(texts: string[], words: string): readonly number[] | null {
  if (words.trim() === "") return null;
  const [found, info, order] = searcher.search(texts, words, wordOrders, mostRanked);
  if (!found) return [];
  return info && order ? order.map((at) => info.idx[at]!) : found;
}
