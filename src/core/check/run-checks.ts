import { levels, type Finding, type Level } from "../model/finding";
import { advised } from "./advice";
import { awardsOff } from "./awards-off";
import { checkedParts, type Check, type CheckInput } from "./check";
import { copied, covered, packedHidden, partTwice, undecided } from "./conflict-hints";
import { runToEnd } from "../run-to-end";
import { blendDue } from "./blend-due";
import { closedSectionEntered } from "./closed-section";
import { fileAndFolder } from "./file-and-folder";
import { masterCycle } from "./master-cycle";
import { masterLate } from "./master-late";
import { masterOff } from "./master-off";
import { missingMaster } from "./missing-master";
import { contentsGone, newerHere, notOnShelf, twoVersions } from "./versions-here";
import { editionUnread, prerequisiteMissing } from "./installed";
import { profileOfGameUnknown } from "./profile-of-game";
import { layoutDrift } from "./layout-drift";
import { orderFileDiffers } from "./order-file";
import { ordersDisagreeCheck } from "./orders-disagree";
import { partCaution, partOpen, partRefused, partsClash, questionOpen } from "./parts-taken";
import { patchHere } from "./patch-here";
import { places } from "./places";
import { purposeDiffers } from "./purpose";
import { rankChanged } from "./rank-changed";
import { reminderDue } from "./reminder-due";
import { expansionOff, modsClash, otherGameVersion, requiredOff } from "./requirements";
import { placeBroken, ruleBroken } from "./rule-broken";
import { rulesContradict } from "./rules-contradict";
import { divide, type LivedWith } from "./set-aside";
import { unreadablePlugin, unsoundArchive } from "./unsound";

export const checks: readonly Check[] = [
  missingMaster,
  masterOff,
  masterCycle,
  masterLate,
  places,
  unreadablePlugin,
  ruleBroken,
  placeBroken,
  rulesContradict,
  rankChanged,
  closedSectionEntered,
  advised,
  ordersDisagreeCheck,
  fileAndFolder,
  requiredOff,
  modsClash,
  expansionOff,
  partRefused,
  partsClash,
  partTwice,
  partCaution,
  partOpen,
  questionOpen,
  otherGameVersion,
  notOnShelf,
  contentsGone,
  twoVersions,
  newerHere,
  unsoundArchive,
  packedHidden,
  copied,
  covered,
  undecided,
  patchHere,
  awardsOff,
  blendDue,
  reminderDue,
  purposeDiffers,
  prerequisiteMissing,
  editionUnread,
  profileOfGameUnknown,
  layoutDrift,
  orderFileDiffers,
];

/** What was found of what, and what each check has found by what. */
export interface Checked {
  readonly input: CheckInput;
  /** The gravest first; within a level in the order of the checks, then of the list. */
  readonly findings: readonly Finding[];
  /** What of them the profile has set aside, and the rest. */
  readonly told: readonly Finding[];
  readonly aside: readonly LivedWith[];
  readonly answers: ReadonlyMap<Check, Answer>;
}

interface Answer {
  readonly reads: readonly unknown[];
  readonly findings: readonly Finding[];
}

/** Asks one check a step. What `before` has found is taken over where nothing that the check reads has changed. */
export function* checking(input: CheckInput, before?: Checked): Generator<void, Checked> {
  const answers = new Map<Check, Answer>();
  for (const check of checks) {
    const known = before?.answers.get(check);
    const reads = check.reads.map((part) => checkedParts[part](input));
    if (known?.reads.every((part, at) => part === reads[at])) {
      answers.set(check, known);
      continue;
    }
    const findings = check.find(input);
    answers.set(check, { reads, findings: saysSame(known?.findings, findings) ? known!.findings : findings });
    yield;
  }
  const findings = byLevel(answers, before);
  const isSame =
    before?.findings === findings &&
    before.input.roster.profile.state.setAside === input.roster.profile.state.setAside;
  const { told, aside } = isSame ? before : divide(input.roster, findings);
  return { input, findings, told, aside, answers };
}

const saysSame = (before: readonly Finding[] | undefined, now: readonly Finding[]): boolean =>
  JSON.stringify(before) === JSON.stringify(now);

/** The list of before, where all that it holds is what it was. */
function byLevel(answers: Checked["answers"], before: Checked | undefined): readonly Finding[] {
  const isSame = [...answers].every(
    ([check, { findings }]) => before?.answers.get(check)?.findings === findings,
  );
  if (isSame && before) return before.findings;
  const all = [...answers.values()].flatMap(({ findings }) => findings);
  return levels.flatMap((level) => all.filter((finding) => finding.level === level));
}

export const runChecks = (input: CheckInput): readonly Finding[] => runToEnd(checking(input)).findings;

export function countByLevel(findings: readonly Finding[]): Record<Level, number> {
  const count = (level: Level) => findings.filter((finding) => finding.level === level).length;
  return { blocker: count("blocker"), problem: count("problem"), hint: count("hint") };
}
