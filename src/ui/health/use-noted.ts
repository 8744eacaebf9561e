import { useMemo, useSyncExternalStore } from "react";
import type { Noted } from "@/core/model/noted";
import { useWorkspace } from "../workspace/workspace.client";

/** What is kept of the findings of the profile that is shown; null before it is known. */
export function useNoted(): Noted | null {
  const { noted } = useWorkspace();
  return useSyncExternalStore(noted.subscribe, noted.get, () => null);
}

/** Whether a finding, by its id, is there only since the profile last ran well; nothing is where it never did. */
export function useIsNew(): (id: string) => boolean {
  const noted = useNoted();
  return useMemo(() => {
    const ranAt = noted?.ranAt ?? null;
    const since = new Map(noted?.seen.map((each) => [each.finding, each.since]));
    return (id: string) => ranAt !== null && (since.get(id) ?? "") > ranAt;
  }, [noted]);
}
