import { stopsTheStart, type StoppingId } from "../check/stops";
import { say } from "../language/say";
import type { Finding, FindingId } from "../model/finding";
import { ruleNotes } from "../roster/rule-notes";
import type { Roster } from "../roster/roster";

type Consequence =
  | "fails"
  | "unlike"
  | "wrong"
  | "rule"
  | "nothing"
  | "either"
  | "room"
  | "behind"
  | "missed"
  | "lost"
  | "awards"
  | "known"
  | "ignored"
  | "lists";

/** Of those that do not stop the start. */
const consequenceOf: Readonly<Record<Exclude<FindingId, StoppingId>, Consequence>> = {
  "required-off": "fails",
  "required-missing": "fails",
  "required-version": "fails",
  "required-late": "fails",
  "advice-needs": "fails",
  "expansion-off": "fails",
  "expansion-not-owned": "fails",
  "other-game-version": "fails",
  "mods-clash": "wrong",
  "advice-clashes": "wrong",
  "parts-clash": "wrong",
  "two-versions": "wrong",
  "advice-known-bad": "wrong",
  "advice-outdated": "wrong",
  "advice-leftover": "wrong",
  "file-and-folder": "wrong",
  "rule-broken": "rule",
  "end-broken": "rule",
  "group-broken": "rule",
  "rule-set-aside": "rule",
  "rank-changed": "unlike",
  "closed-section-entered": "unlike",
  "orders-disagree": "unlike",
  "packed-hidden": "unlike",
  "undecided-mods": "either",
  "undecided-plugins": "either",
  copied: "nothing",
  "covered-mods": "nothing",
  "covered-plugins": "nothing",
  "part-twice": "nothing",
  "part-refused": "ignored",
  "question-open": "missed",
  "part-open": "missed",
  "patch-here": "missed",
  "advice-recommended": "missed",
  "newer-here": "missed",
  "part-caution": "known",
  "advice-note": "known",
  "reminder-arrives": "known",
  "reminder-updated": "known",
  "reminder-day": "known",
  "awards-off": "awards",
  "blend-due": "lists",
  "cap-near": "room",
  "not-on-shelf": "lost",
  "contents-gone": "lost",
  "unsound-archive": "lost",
  "prerequisite-missing": "fails",
  "prerequisite-astray": "fails",
  "edition-unread": "known",
  "profile-of-game": "behind",
  "purpose-differs": "known",
  "layout-touched": "unlike",
  "layout-strangers": "unlike",
  "order-file-differs": "behind",
  "order-file-absent": "behind",
  "order-file-theirs": "behind",
};

/** What happens in the game if nothing is done. */
export const consequenceText = (finding: Finding): string =>
  stopsTheStart(finding)
    ? say("health.then.stops")
    : say(`health.then.${consequenceOf[finding.id as keyof typeof consequenceOf]}`);

/** Who says so: a rule with its reason, advice with its book and page, a mod or a plugin of itself, or Seating, which looked. */
export function sourceText(roster: Roster, { id, rule, advice }: Finding): string {
  if (rule !== undefined) {
    const note = ruleNotes(roster).get(rule) ?? "";
    const isBook = !roster.profile.state.rules.some((each) => each.id === rule);
    const whose = say(isBook ? "health.source.bookRule" : "health.source.rule");
    return note === "" ? whose : `${whose}: ${note}`;
  }
  if (advice) {
    const who = advice.book ? `${advice.book} ${advice.version ?? ""}`.trim() : say("health.source.own");
    return [who, advice.page, advice.date].filter(Boolean).join(", ");
  }
  return say(`health.source.${kindOfSource(id)}`);
}

function kindOfSource(id: FindingId): "header" | "manifest" | "own" | "seen" {
  if (/^(missing-|master-|cap-|rank-)/.test(id)) return "header";
  if (/^(required-|mods-clash|expansion-|other-game|part|question|awards)/.test(id) && id !== "part-twice")
    return "manifest";
  return id.startsWith("reminder-") ? "own" : "seen";
}
