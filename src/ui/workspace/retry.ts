/** Milliseconds until what could not be done is tried again: the first time, and at most. */
const after = { first: 1000, most: 15_000 };

/** Tries something again, each time later than the last, until it is told that it went well. */
export class Retry {
  private timer: ReturnType<typeof setTimeout> | undefined;
  private wait = after.first;

  later(work: () => void): void {
    this.timer = setTimeout(() => {
      this.wait = Math.min(this.wait * 2, after.most);
      work();
    }, this.wait);
  }

  readonly stop = (): void => clearTimeout(this.timer);

  wentWell(): void {
    this.wait = after.first;
  }
}
