import type { Db } from "@/store/sql";

/** Milliseconds for what is under way; what is not stored by then is undone by the database when it opens again. */
const mostForClosing = 3000;

/** Closes the database when the process is told to end, and ends it even if that never comes to an end. */
export function closeOnSignals(db: Pick<Db, "close">, giveBack: () => void): void {
  const exits = { SIGINT: 130, SIGTERM: 143 } as const;
  for (const signal of ["SIGINT", "SIGTERM"] as const) {
    process.once(signal, () => {
      const leave = () => {
        giveBack();
        process.exit(exits[signal]);
      };
      setTimeout(leave, mostForClosing);
      void db.close().finally(leave);
    });
  }
}
