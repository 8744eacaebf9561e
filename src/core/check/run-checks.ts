import { levels, type Finding, type Level } from "../model/finding";
import { advised } from "./advice";
import { capExceeded } from "./cap-exceeded";
import type { Check, CheckInput } from "./check";
import { closedSectionEntered } from "./closed-section";
import { masterCycle } from "./master-cycle";
import { masterLate } from "./master-late";
import { masterOff } from "./master-off";
import { missingMaster } from "./missing-master";
import { contentsGone, newerHere, notOnShelf } from "./versions-here";
import { orderFileDiffers } from "./order-file";
import { ordersDisagreeCheck } from "./orders-disagree";
import { partRefused, questionOpen } from "./parts-taken";
import { expansionOff, modsClash, otherGameVersion, requiredOff } from "./requirements";
import { placeBroken, ruleBroken } from "./rule-broken";
import { unreadablePlugin, unsoundArchive } from "./unsound";

const checks: readonly Check[] = [
  missingMaster,
  masterOff,
  masterCycle,
  masterLate,
  capExceeded,
  unreadablePlugin,
  ruleBroken,
  placeBroken,
  closedSectionEntered,
  advised,
  ordersDisagreeCheck,
  requiredOff,
  modsClash,
  expansionOff,
  partRefused,
  questionOpen,
  otherGameVersion,
  notOnShelf,
  contentsGone,
  newerHere,
  unsoundArchive,
  orderFileDiffers,
];

/** All findings, the gravest first; within a level in the order of the checks, then of the list. */
export function runChecks(input: CheckInput): Finding[] {
  const findings = checks.flatMap((check) => check(input));
  return levels.flatMap((level) => findings.filter((finding) => finding.level === level));
}

export function countByLevel(findings: readonly Finding[]): Record<Level, number> {
  const count = (level: Level) => findings.filter((finding) => finding.level === level).length;
  return { blocker: count("blocker"), problem: count("problem"), hint: count("hint") };
}
