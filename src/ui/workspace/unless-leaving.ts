/** Milliseconds for which a page that is being left may go on. */
const leaving = 3000;
let left = -Infinity;

/** Remembers when the page was about to be left. Answers how to stop. */
export function watchLeaving(): () => void {
  const onLeave = () => (left = performance.now());
  addEventListener("beforeunload", onLeave);
  return () => removeEventListener("beforeunload", onLeave);
}

/** Runs it now, or, where the page is about to be left, only if it has stayed: what is asked of a server then ends unanswered. */
export function unlessLeaving(run: () => void): void {
  if (performance.now() - left > leaving) run();
  else setTimeout(run, leaving);
}
