import type { Db } from "./sql";

/** Tables of which every edit writes rows anew. */
const busy = ["journal", "profile", "profile_entry", "profile_decision"];

/** Lets rows that were written over be used again, which this database does not do by itself. */
export async function tidy(db: Db): Promise<void> {
  for (const table of busy) await db.exec(`vacuum ${table}`);
}
