import type { Db } from "./sql";

/** Tables of which every edit writes rows anew. */
const busy = ["journal", "profile", "profile_entry", "profile_decision"];

/** Tables that a reading of the shelf fills, or that are held against it. */
const ofShelf = ["shelf_mod", "contents", "profile_entry"];

/** Gathers what the planner of queries has to know of a shelf that was read, which this database does not do by itself. */
export async function gatherStatistics(db: Db): Promise<void> {
  for (const table of ofShelf) await db.exec(`analyze ${table}`);
}

/** Lets rows that were written over be used again, which this database does not do by itself. */
export async function tidy(db: Db): Promise<void> {
  for (const table of busy) await db.exec(`vacuum ${table}`);
}
