/** Milliseconds for what is under way; what is not stored by then is undone by the database when it opens again. */
const mostForClosing = 3000;

/**
 * Closes when the process is told to end, and ends it even if that never comes to an end, with the folder given back. Answers how to
 * stop listening for that.
 */
export function closeOnSignals(close: () => Promise<void>, giveBack: () => void): () => void {
  const end = (code: number) => {
    const leave = () => {
      giveBack();
      process.exit(code);
    };
    setTimeout(leave, mostForClosing);
    void close().finally(leave);
  };
  const interrupted = () => end(130);
  const terminated = () => end(143);
  process.once("SIGINT", interrupted);
  process.once("SIGTERM", terminated);
  return () => {
    process.off("SIGINT", interrupted);
    process.off("SIGTERM", terminated);
  };
}
