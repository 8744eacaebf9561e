import { useMemo } from "react";
import { useEditor } from "./workspace.client";

/** What mods are called, by their ids; of one that is not in the profile any more, its id. */
export function useModTitles(): (id: string) => string {
  const mods = useEditor(({ roster }) => roster.mods);
  return useMemo(() => {
    const titles = new Map<string, string>(mods.map(({ id, mod }) => [id, mod?.name ?? id]));
    return (id: string) => titles.get(id) ?? id;
  }, [mods]);
}
