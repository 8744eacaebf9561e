/** Texts as numbers from 0 on: paths as the game folds them, or names of records as they are written. */
export class Names {
  private readonly known = new Map<string, number>();
  private readonly texts: string[] = [];

  get size(): number {
    return this.texts.length;
  }

  /** The number of a text, which has one from now on. */
  number(text: string): number {
    const known = this.known.get(text);
    if (known !== undefined) return known;
    const next = this.texts.length;
    this.known.set(text, next);
    this.texts.push(text);
    return next;
  }

  /** -1 where nothing was ever called so. */
  find(text: string): number {
    return this.known.get(text) ?? -1;
  }

  text(number: number): string {
    return this.texts[number]!;
  }
}
