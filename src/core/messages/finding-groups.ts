import type { FindingData, FindingId } from "../model/finding";
import type { FindingGroup } from "../check/group-findings";
import { item, plural, sentence, type Sentence } from "./parts";

type Say<Id extends FindingId> = (count: number, data: FindingData[Id]) => Sentence;

/** What several findings of one cause say together. */
const groupText: { readonly [Id in FindingId]?: Say<Id> } = {
  "missing-master": (n, d) =>
    sentence`${plural(n, "plugin")} need ${d.master}, which is in no mod of this profile: the game would stop at start.`,
  "missing-expansion": (n, d) =>
    sentence`${plural(n, "plugin")} need the expansion ${d.expansion}, which is not there: the game would stop at start.`,
  "master-off": (n, d) => sentence`${plural(n, "plugin")} need ${item(d.master)}, which is switched off.`,
  "master-mod-off": (n, d) =>
    sentence`${plural(n, "plugin")} need ${item(d.master)}, whose mod ${d.mod} is switched off.`,
  "master-part-off": (n, d) =>
    sentence`${plural(n, "plugin")} need ${item(d.master)}, a part of ${d.mod} that is not taken. Choose the parts of that mod.`,
  "master-left-out": (n, d) =>
    sentence`${plural(n, "plugin")} need ${item(d.master)}, whose file in ${d.mod} is left out of this profile.`,
  "master-gone": (n, d) =>
    sentence`${plural(n, "plugin")} need ${item(d.master)}, which is listed here but not on the shelf.`,
  "master-late": (n, d) =>
    sentence`${plural(n, "plugin")} need ${item(d.master)}, which loads later than they do: the game would stop at start.`,
  "required-off": (n, d) => sentence`${plural(n, "mod")} need ${d.other}, which is not on in this profile.`,
  "required-missing": (n, d) => sentence`${plural(n, "mod")} need ${d.other}, which is not on the shelf.`,
  "required-late": (n, d) =>
    sentence`${plural(n, "mod")} need ${item(d.earlier)}, which loads later than they do.`,
  "advice-requires": (n, d) =>
    sentence`${plural(n, "plugin")} need ${item(d.other)}, though it is no master of theirs.`,
  "expansion-off": (n, d) =>
    sentence`${plural(n, "mod")} need the expansion ${d.expansion}, which is off in this profile.`,
  "expansion-not-owned": (n, d) =>
    sentence`${plural(n, "mod")} need the expansion ${d.expansion}, which is not owned here.`,
  "closed-section-entered": (n, d) =>
    sentence`${plural(n, "item")} are in ${d.section}, which is closed, for they must follow something there.`,
};

/** What the findings of a group say of their cause together; null where they have none, or there is one alone. */
export function sayGroup({ findings, hasCause }: FindingGroup): Sentence | null {
  const [first] = findings;
  if (!first || findings.length < 2 || !hasCause) return null;
  // Of one id the sentence and its data fit, which a union of ids loses.
  const say = groupText[first.id] as Say<FindingId> | undefined;
  return say?.(findings.length, first.data) ?? null;
}
