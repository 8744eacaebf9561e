"use client";

import { say } from "@/core/language/say";
import { wantOfMod } from "@/core/depot/offers";
import { GetMissing } from "../depot/get-missing";
import { formatSize } from "../kit/format-size";
import { usageKey } from "../workspace/usage-key";
import { useUsage } from "../workspace/use-usage";
import { useEditor } from "../workspace/workspace.client";
import { ViewLink } from "../workspace/view-link";

/** What the profile misses, what no profile uses, and what lies on the shelf in several versions. */
export function MissingAndUnused() {
  const roster = useEditor((state) => state.roster);
  const usage = useUsage();
  const sound = roster.stock.shelf.filter((mod) => !mod.problem);
  const missing = roster.mods.filter((mod) => mod.gone);
  const unused = sound.filter(
    (mod) =>
      roster.modOf.get(mod.id)?.mod?.content !== mod.content &&
      !usage.get(usageKey(mod.id, mod.content))?.length,
  );
  const older = sound.length - new Set(sound.map((mod) => mod.id)).size;
  const size = unused.reduce((sum, mod) => sum + mod.size, 0);
  const rows = [
    [missing.length, say("overview.modsOfThisProfileNotOn", { count: missing.length }), "state=missing"],
    [
      unused.length,
      say("overview.modsInNoProfile", { count: unused.length, size: formatSize(size) }),
      "use=unused",
    ],
    [older, say("overview.olderVersionsBesideANewerOne", { older }), "state=superseded"],
  ] as const;
  const told = rows.filter(([count]) => count > 0);
  if (told.length === 0) return <p className="text-ink2">{say("overview.nothingIsMissingAndNothingLies")}</p>;
  return (
    <ul>
      {told.map(([, words, query]) => (
        <li key={query} className="flex flex-wrap items-center gap-2">
          <ViewLink
            href={`/shelf?${query}`}
            className="hover:text-pine underline decoration-1 underline-offset-2"
          >
            {words}
          </ViewLink>
          {query === "state=missing" && <GetMissing wants={missing.map(wantOfMod)} />}
        </li>
      ))}
    </ul>
  );
}
