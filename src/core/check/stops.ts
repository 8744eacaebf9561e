import type { Finding, FindingId } from "../model/finding";

const stopping = [
  "missing-master",
  "missing-expansion",
  "master-off",
  "master-mod-off",
  "master-part-off",
  "master-left-out",
  "master-gone",
  "master-late",
  "master-cycle",
  "master-self",
  "unreadable-plugin",
  "cap-exceeded",
] as const satisfies readonly FindingId[];
export type StoppingId = (typeof stopping)[number];

const isStopping: ReadonlySet<FindingId> = new Set(stopping);

/** Whether it says that the game stops at its start. A plugin among others of another load rank does only where the game would load it out of turn. */
export const stopsTheStart = ({ id, level }: Pick<Finding, "id" | "level">): boolean =>
  isStopping.has(id) || (id === "rank-changed" && level === "blocker");
