/** A matrix of bits, one row of 32-bit words a node. */
export class BitRows {
  readonly words: number;
  private readonly data: Uint32Array;
  constructor(
    readonly rows: number,
    readonly columns: number,
  ) {
    this.words = (columns + 31) >>> 5;
    this.data = new Uint32Array(rows * this.words);
  }

  set(row: number, column: number): void {
    this.data[row * this.words + (column >>> 5)]! |= 1 << (column & 31);
  }

  has(row: number, column: number): boolean {
    return (this.data[row * this.words + (column >>> 5)]! & (1 << (column & 31))) !== 0;
  }

  /** Keeps of a row what `mask`, words of columns, has too. */
  keep(row: number, mask: Uint32Array): void {
    const start = row * this.words;
    for (let word = 0; word < this.words; word++) this.data[start + word]! &= mask[word]!;
  }

  /** A word of a row: columns `32 word` to `32 word + 31`. */
  word(row: number, word: number): number {
    return this.data[row * this.words + word]!;
  }

  /** Adds all of `source`'s row to `target`'s. */
  merge(target: number, source: number): void {
    const { data, words } = this;
    const to = target * words;
    const from = source * words;
    for (let w = 0; w < words; w++) data[to + w]! |= data[from + w]!;
  }

  /** How many bits of a row are set, counted a word at a time (Warren, Hacker's Delight, section 5-1; from memory). */
  count(row: number): number {
    let count = 0;
    for (let at = row * this.words, end = at + this.words; at < end; at++) {
      let bits = this.data[at]!;
      if (bits === 0) continue;
      bits -= (bits >>> 1) & 0x55555555;
      bits = (bits & 0x33333333) + ((bits >>> 2) & 0x33333333);
      bits = (bits + (bits >>> 4)) & 0x0f0f0f0f;
      count += Math.imul(bits, 0x01010101) >>> 24;
    }
    return count;
  }
}
