import type { EditingAct, Finding, FindingId } from "../model/finding";
import { isEditing } from "./fix-edit";

/** Findings whose first way out is the one that anybody would take: what is needed is here, and only off. */
const sureOf: ReadonlySet<FindingId> = new Set<FindingId>([
  "missing-master",
  "master-off",
  "master-mod-off",
  "required-off",
  "advice-needs",
  "expansion-off",
  "part-refused",
]);

/** The way out that is taken without a question; null where there is a choice, or nothing here ends it. */
export function sureWay({ id, fixes }: Finding): EditingAct | null {
  const [first] = fixes;
  if (!sureOf.has(id) || !first || !isEditing(first.does)) return null;
  const isOff = first.does.act === "switch-off";
  // Several mods that bring the same master are a choice.
  const others = fixes.filter(({ does }) => does.act === first.does.act).length;
  return isOff || others > 1 ? null : first.does;
}
