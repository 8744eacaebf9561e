/** Does all steps of something at once that may be done a step at a time, and answers what comes of it. */
export function runToEnd<T>(steps: Generator<void, T>): T {
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
}
