import "server-only";
import type { Level } from "@/core/model/finding";
import type { ProfileId } from "@/core/model/ids";
import type { Noted } from "@/core/model/noted";
import { done, type Outcome } from "@/core/model/outcome";
import { listCounts, listSeen, noteFindings as note } from "@/store/health";
import { findRun } from "@/store/profiles";
import { findTrial } from "@/store/trials";
import type { Context } from "../context";

const daysKept = 90;

/** Keeps what a window has found of a profile, and tells what is kept. */
export async function noteFindings(
  { db }: Context,
  profileId: ProfileId,
  findings: readonly string[],
  counts: Readonly<Record<Level, number>>,
): Promise<Outcome<Noted>> {
  return db.transaction(async (tx) => {
    await note(tx, profileId, findings, counts);
    const seen = await listSeen(tx, profileId);
    const trial = await findTrial(tx, profileId);
    return done({
      seen: seen.map(({ finding, since }) => ({ finding, since: since.toISOString() })),
      counts: await listCounts(tx, profileId, daysKept),
      ranAt: (await findRun(tx, profileId))?.at.toISOString() ?? null,
      trial,
    });
  });
}
