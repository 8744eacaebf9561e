/**
 * The positions of one longest strictly increasing subsequence (patience sorting with back links,
 * Fredman 1975). Of several longest ones it returns the one that ends in the smallest value.
 */
export function longestIncreasing(values: ArrayLike<number>): number[] {
  const tails: number[] = [];
  const previous = new Int32Array(values.length);
  for (let at = 0; at < values.length; at++) {
    let low = 0;
    let high = tails.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (values[tails[middle]!]! < values[at]!) low = middle + 1;
      else high = middle;
    }
    previous[at] = low > 0 ? tails[low - 1]! : -1;
    tails[low] = at;
  }
  const result = new Array<number>(tails.length);
  let at = tails.length > 0 ? tails[tails.length - 1]! : -1;
  for (let k = tails.length - 1; k >= 0; k--) {
    result[k] = at;
    at = previous[at]!;
  }
  return result;
}
