/** Texts as numbers from 0 on: paths as the game folds them, or names of records as they are written. */
export class Names {
  private readonly known = new Map<string, number>();
  private readonly texts: string[] = [];
  /** Every folder that a text lies in, as a path. */
  private readonly above = new Set<string>();
  private walked = 0;

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

  /** Of paths those that are folders of others too. */
  folders(): number[] {
    for (; this.walked < this.texts.length; this.walked++) {
      const text = this.texts[this.walked]!;
      for (let at = text.lastIndexOf("/"); at > 0; at = text.lastIndexOf("/", at - 1)) {
        const folder = text.slice(0, at);
        if (this.above.has(folder)) break;
        this.above.add(folder);
      }
    }
    return [...this.above].map((folder) => this.find(folder)).filter((number) => number >= 0);
  }

  text(number: number): string {
    return this.texts[number]!;
  }
}
