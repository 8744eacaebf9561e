import "server-only";
import { runChecks } from "@/core/check/run-checks";
import { factsOfRoster, fingerprintOf } from "@/core/lineup/fingerprint";
import { findingTitle, sayFinding } from "@/core/messages/findings";
import { plainText } from "@/core/messages/parts";
import type { FindingsReport } from "@/core/model/findings-report";
import type { ProfileId } from "@/core/model/ids";
import { done, type Outcome } from "@/core/model/outcome";
import { seatAndTitle } from "@/core/roster/roster";
import { allTies } from "@/core/roster/ties";
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
  const found = runChecks({ roster, ties: allTies(roster), onDisk });
  return done({
    format: "seating-findings/1",
    game: roster.game.id,
    profile: roster.profile.name,
    fingerprint: fingerprintOf(factsOfRoster(roster)),
    findings: found.map((finding) => ({
      level: finding.level,
      check: finding.id,
      title: findingTitle[finding.id],
      text: plainText(sayFinding(finding), (id) => seatAndTitle(roster, id)),
      subjects: finding.subjects.map(({ list, id }) => ({ list, id })),
    })),
  });
}
