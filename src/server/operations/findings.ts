import "server-only";
import { runChecks } from "@/core/check/run-checks";
import { factsOfRoster, fingerprintOf } from "@/core/lineup/fingerprint";
import type { FindingsReport } from "@/core/model/findings-report";
import type { ProfileId } from "@/core/model/ids";
import { done, type Outcome } from "@/core/model/outcome";
import { allTies } from "@/core/roster/ties";
import { dayOf } from "@/core/day-of";
import { reported, toldOf } from "@/formats/findings/report";
import type { Context } from "../context";
import { readOnDisk } from "./order-file";
import { findOverlaps } from "./read-library";
import { readSituation } from "./situation";

/** What the checks see of a profile, with the order that the game reads now. */
export async function reportFindings(
  context: Context,
  profileId: ProfileId,
): Promise<Outcome<FindingsReport>> {
  const situation = await readSituation(context, profileId);
  if (!situation.ok) return situation;
  const { game } = situation.value;
  const overlaps = await findOverlaps(context, game, situation.value.roster);
  const roster = { ...situation.value.roster, overlaps };
  const onDisk = await readOnDisk(context, game);
  const found = runChecks({
    roster,
    ties: allTies(roster),
    onDisk,
    today: dayOf(new Date()),
  });
  return done({
    format: "seating-findings/1",
    game: roster.game.id,
    profile: roster.profile.name,
    fingerprint: fingerprintOf(factsOfRoster(roster)),
    findings: reported(
      found.map((finding) => toldOf(roster, finding)),
      () => null,
    ),
  });
}
