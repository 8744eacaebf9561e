import { useMemo } from "react";
import { useEditor } from "./workspace.client";

/** By the id of a mod the names of the other profiles that hold it. */
export function useUsage(): ReadonlyMap<string, readonly string[]> {
  const usage = useEditor((state) => state.view.usage);
  const profiles = useEditor((state) => state.view.profiles);
  const present = useEditor((state) => state.profile.id);
  return useMemo(() => {
    const nameOf = new Map(profiles.map(({ id, name }) => [id, name]));
    nameOf.delete(present);
    const others = (ids: readonly string[]) =>
      ids.map((id) => nameOf.get(id)).filter((name) => name !== undefined);
    return new Map(usage.map(({ id, profiles: ids }) => [id, others(ids)]));
  }, [usage, profiles, present]);
}
