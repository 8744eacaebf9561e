import { useMemo } from "react";
import type { ProfileId } from "@/core/model/ids";
import { usageKey } from "./usage-key";
import { useEditor } from "./workspace.client";

/** By a mod and its contents, as `usageKey` names them, the names of the other profiles that hold it so. */
export function useUsage(): ReadonlyMap<string, readonly string[]> {
  const usage = useEditor((state) => state.view.usage);
  const profiles = useEditor((state) => state.view.profiles);
  const present = useEditor((state) => state.profile.id);
  return useMemo(() => {
    const nameOf = new Map(profiles.map(({ id, name }) => [id, name]));
    nameOf.delete(present);
    const others = (ids: readonly ProfileId[]) =>
      ids.map((id) => nameOf.get(id)).filter((name) => name !== undefined);
    return new Map(usage.map(({ id, content, profiles: ids }) => [usageKey(id, content), others(ids)]));
  }, [usage, profiles, present]);
}
