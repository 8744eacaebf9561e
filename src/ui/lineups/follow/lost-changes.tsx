"use client";

import { say } from "@/core/language/say";
import { useMemo } from "react";
import { changesOverwritten } from "@/core/compare/rosters";
import { keyOfDifference } from "@/core/compare/states";
import { differenceName } from "@/core/messages/profile-differences";
import type { Roster } from "@/core/roster/roster";
import { useEditor } from "../../workspace/workspace.client";
import { useFollowed } from "./use-followed";

/** What its user changed of the list that the profile follows, and an edit would overwrite; `there` is the profile as it would be. */
export function LostChanges({ there }: { there: Roster }) {
  const here = useEditor((state) => state.roster);
  const pure = useFollowed()?.pure ?? null;
  const lost = useMemo(() => (pure ? changesOverwritten(pure, here, there) : []), [pure, here, there]);
  if (lost.length === 0) return null;
  return (
    <details open className="border-saffron bg-saffron-soft rounded-md border px-3 py-2">
      <summary className="cursor-pointer font-bold">
        {say("lineups.changesOfYoursWouldBeLost", { count: lost.length })}
      </summary>
      <ul className="mt-1 max-h-48 list-disc overflow-auto pl-5">
        {lost.map((each) => (
          <li key={keyOfDifference(each)}>{differenceName(here, there, each)}</li>
        ))}
      </ul>
    </details>
  );
}
