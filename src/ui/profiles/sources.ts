import { say } from "@/core/language/say";
import { useMemo } from "react";
import type { StateSource } from "@/server/operations/profiles";
import type { SelectGroup, SelectOption } from "../kit/select";
import { useEditor } from "../workspace/workspace.client";

/** What a state can be taken from: other profiles, restore points of this one, lineups that were brought in. */
export function useSources({ present }: { present: boolean }): readonly SelectGroup[] {
  const { profiles, restorePoints, imports } = useEditor((state) => state.view);
  const id = useEditor((state) => state.profile.id);
  return useMemo(
    () =>
      [
        {
          title: say("profiles.asACopyOfAProfile"),
          options: profiles
            .filter((each) => !each.deleted && (present || each.id !== id))
            .map((each) => option({ profile: each.id }, each.name)),
        },
        {
          title: say("profiles.asThisProfileWasAtA"),
          options: restorePoints.map((each) => option({ point: each.id }, each.name)),
        },
        {
          title: say("profiles.asALineupDescribesIt"),
          options: imports.map((each) => option({ lineup: each.id }, each.title)),
        },
      ].filter(({ options }) => options.length > 0),
    [profiles, restorePoints, imports, id, present],
  );
}

const option = (source: StateSource, words: string): SelectOption => ({ value: keyOfSource(source), words });

/** A source as the value of a choice, and back. */
export function keyOfSource(source: StateSource): string {
  const [kind, id] = Object.entries(source)[0] as [string, string];
  return `${kind} ${id}`;
}

export function sourceOfKey(key: string): StateSource | null {
  const [kind, id] = [key.slice(0, key.indexOf(" ")), key.slice(key.indexOf(" ") + 1)];
  return kind === "" ? null : ({ [kind]: id } as unknown as StateSource);
}
