import "server-only";
import { randomUUID } from "node:crypto";
import { claimOfKept } from "@/core/lineup/claim";
import { isSameList, type ListIdentity } from "@/core/lineup/same-list";
import type { Claim } from "@/core/model/claim";
import type { ProfileId } from "@/core/model/ids";
import type { Lineup } from "@/core/model/lineup";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { findImport, markImported } from "@/store/lineup-imports";
import { addFollowed, findFollowed, listFollowers } from "@/store/lineups";
import type { Sql, Tx } from "@/store/sql";
import type { Context } from "../context";

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

/** A profile that follows a list, and the version that it follows. */
export interface Follower {
  readonly profile: ProfileId;
  readonly name: string;
  readonly followed: Followed;
}

/** By what a list that came in is known again: its identity, and the fingerprint that its author's Seating wrote. */
export type Recognised = ListIdentity & { readonly fingerprint: string | null };

/** Each is compared with what came in, list by list: of more than these only their number is told. */
const mostCompared = 5;

export interface Followers {
  readonly compared: readonly Follower[];
  readonly others: number;
}

/** The profiles that follow any version of a list. */
export async function findFollowers(
  { db }: Pick<Context, "db">,
  gameId: string,
  wanted: Recognised,
): Promise<Followers> {
  const all = (await listFollowers(db, gameId)).filter(({ list, title, author, fingerprint }) => {
    const isSetup = fingerprint !== null && fingerprint === wanted.fingerprint;
    return isSetup || isSameList(wanted, { list: list ?? undefined, title, author });
  });
  const compared: Follower[] = [];
  for (const { id, name } of all.slice(0, mostCompared)) {
    const followed = await readFollowed(db, id);
    if (followed) compared.push({ profile: id, name, followed });
  }
  return { compared, others: Math.max(0, all.length - mostCompared) };
}

/** Keeps a list that came in as one that the profile may follow; answers with its id among those. */
export async function keepAsFollowed(
  tx: Tx,
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
