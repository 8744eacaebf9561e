"use client";

import { useMemo } from "react";
import { say } from "@/core/language/say";
import { switchMods } from "@/core/edit/edits";
import { stateAfter } from "@/core/edit/steps";
import type { ShelfMod } from "@/core/model/shelf";
import { useEditor } from "../workspace/workspace.client";
import { HandChanges } from "./hand-changes";

/** What changes hands if mods of the shelf are switched; the same array as long as they are the same. */
export function HandsIfSwitched({ mods, on }: { mods: readonly ShelfMod[]; on: boolean }) {
  const roster = useEditor((state) => state.roster);
  const then = useMemo(() => {
    const edit = switchMods(roster, mods, on);
    return edit && stateAfter(roster.profile.state, edit);
  }, [roster, mods, on]);
  return (
    <HandChanges
      key={mods.map(({ path }) => path).join("/")}
      state={then}
      intro={on ? say("conflicts.whenOn") : say("conflicts.whenOff")}
    />
  );
}
