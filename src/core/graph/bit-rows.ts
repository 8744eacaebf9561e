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

  row(row: number): Uint32Array {
    return this.data.subarray(row * this.words, (row + 1) * this.words);
  }

  set(row: number, column: number): void {
    this.data[row * this.words + (column >>> 5)]! |= 1 << (column & 31);
  }

  has(row: number, column: number): boolean {
    return (this.data[row * this.words + (column >>> 5)]! & (1 << (column & 31))) !== 0;
  }

  /** Keeps of a row the columns before `column` only. */
  keepBelow(row: number, column: number): void {
    const start = row * this.words;
    const whole = column >>> 5;
    if (whole >= this.words) return;
    this.data[start + whole]! &= (1 << (column & 31)) - 1;
    this.data.fill(0, start + whole + 1, start + this.words);
  }

  /** A word of a row: columns `32 word` to `32 word + 31`. */
  word(row: number, word: number): number {
    return this.data[row * this.words + word]!;
  }

  /** Adds all of `source`'s row to `target`'s. */
  merge(target: number, source: number): void {
    const to = target * this.words;
    const from = source * this.words;
    for (let w = 0; w < this.words; w++) this.data[to + w]! |= this.data[from + w]!;
  }
}
