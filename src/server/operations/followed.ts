import "server-only";
import { randomUUID } from "node:crypto";
import { claimOfKept } from "@/core/lineup/claim";
import type { Claim } from "@/core/model/claim";
import type { ProfileId } from "@/core/model/ids";
import type { Lineup } from "@/core/model/lineup";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { findImport, markImported } from "@/store/lineup-imports";
import { addFollowed, findFollowed } from "@/store/lineups";
import type { Sql } from "@/store/sql";

/** The list that a profile follows, in the version that it was brought to last, without pictures and read-me. */
export interface Followed {
  readonly lineup: Lineup;
  readonly claim: Claim;
}

export async function readFollowed(db: Sql, profileId: ProfileId): Promise<Followed | null> {
  const list = await findFollowed(db, profileId);
  if (!list) return null;
  const { pictures: _pictures, readMe: _readMe, ...lineup } = list.lineup;
  return { lineup, claim: list.claim ?? claimOfKept(list.lineup) };
}

/** Keeps a list that came in as one that the profile may follow; answers with its id among those. */
export async function keepAsFollowed(
  tx: Sql,
  profileId: ProfileId,
  importId: string,
): Promise<Outcome<string>> {
  const found = await findImport(tx, importId);
  if (!found) return refuse("import-gone");
  const id = randomUUID();
  await addFollowed(tx, id, profileId, found);
  await markImported(tx, importId, profileId);
  return done(id);
}
