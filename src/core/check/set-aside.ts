import type { Finding } from "../model/finding";
import type { SetAside } from "../model/set-aside";
import type { Roster } from "../roster/roster";
import { findingFacts, findingId } from "./identity";

/** A finding that the profile lives with, and why. */
export interface LivedWith {
  readonly finding: Finding;
  readonly entry: SetAside;
}

interface Divided {
  readonly told: readonly Finding[];
  readonly aside: readonly LivedWith[];
}

/** What is told, and what the profile has set aside: for good, or as long as it says the same. */
export function divide(roster: Roster, findings: readonly Finding[]): Divided {
  const { setAside } = roster.profile.state;
  if (setAside.length === 0) return { told: findings, aside: [] };
  const entryOf = new Map(setAside.map((entry) => [entry.finding, entry]));
  const told: Finding[] = [];
  const aside: LivedWith[] = [];
  for (const finding of findings) {
    const entry = entryOf.get(findingId(roster, finding));
    const isLived = entry && (entry.facts === null || entry.facts === findingFacts(finding));
    if (isLived) aside.push({ finding, entry });
    else told.push(finding);
  }
  return { told, aside };
}

/** What is stored of a finding that is set aside; `until`: as long as it says the same, or for good. */
export const asideOf = (
  roster: Roster,
  finding: Finding,
  {
    reason,
    until,
    at,
  }: { readonly reason: string; readonly until: "changed" | "never"; readonly at: string },
): SetAside => ({
  finding: findingId(roster, finding),
  reason,
  facts: until === "changed" ? findingFacts(finding) : null,
  at,
});
