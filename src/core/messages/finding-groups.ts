import type { FindingData, FindingId } from "../model/finding";
import type { FindingGroup } from "../check/group-findings";
import { otherOf } from "./findings";
import { item, sentence, type Sentence } from "./parts";

type Say<Id extends FindingId> = (count: number, data: FindingData[Id]) => Sentence;

/** What several findings of one cause say together. */
const groupText: { readonly [Id in FindingId]?: Say<Id> } = {
  "missing-master": (n, d) => sentence("findingGroups.groupText.missing-master", { n, master: d.master }),
  "missing-expansion": (n, d) =>
    sentence("findingGroups.groupText.missing-expansion", { n, expansion: d.expansion }),
  "master-off": (n, d) => sentence("findingGroups.groupText.master-off", { n, master: item(d.master) }),
  "master-mod-off": (n, d) =>
    sentence("findingGroups.groupText.master-mod-off", { n, master: item(d.master), mod: d.mod }),
  "master-part-off": (n, d) =>
    sentence("findingGroups.groupText.master-part-off", { n, master: item(d.master), mod: d.mod }),
  "master-left-out": (n, d) =>
    sentence("findingGroups.groupText.master-left-out", { n, master: item(d.master), mod: d.mod }),
  "master-gone": (n, d) => sentence("findingGroups.groupText.master-gone", { n, master: item(d.master) }),
  "master-late": (n, d) => sentence("findingGroups.groupText.master-late", { n, master: item(d.master) }),
  "required-off": (n, d) => sentence("findingGroups.groupText.required-off", { n, other: d.other }),
  "required-missing": (n, d) => sentence("findingGroups.groupText.required-missing", { n, other: d.other }),
  "required-late": (n, d) =>
    sentence("findingGroups.groupText.required-late", { n, earlier: item(d.earlier) }),
  "advice-needs": (n, d) => sentence("findingGroups.groupText.advice-needs", { n, other: otherOf(d) }),
  "advice-recommended": (n, d) =>
    sentence("findingGroups.groupText.advice-recommended", { n, other: otherOf(d) }),
  "expansion-off": (n, d) => sentence("findingGroups.groupText.expansion-off", { n, expansion: d.expansion }),
  "expansion-not-owned": (n, d) =>
    sentence("findingGroups.groupText.expansion-not-owned", { n, expansion: d.expansion }),
  "closed-section-entered": (n, d) =>
    sentence("findingGroups.groupText.closed-section-entered", { n, section: d.section }),
};

/** What the findings of a group say of their cause together; null where they have none, or there is one alone. */
export function sayGroup({ findings, hasCause }: FindingGroup): Sentence | null {
  const [first] = findings;
  if (!first || findings.length < 2 || !hasCause) return null;
  // Of one id the sentence and its data fit, which a union of ids loses.
  const say = groupText[first.id] as Say<FindingId> | undefined;
  return say?.(findings.length, first.data) ?? null;
}
