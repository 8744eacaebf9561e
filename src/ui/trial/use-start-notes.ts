import { useCallback, useEffect, useState } from "react";
import type { StartNotes } from "@/core/start/start-notes";
import { readStartNotes, tickCondition } from "../workspace/server";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** What is to be known at the start of the present profile; null until it is read. */
export function useStartNotes() {
  const { trial, unwrap } = useWorkspace();
  const profile = useEditor((state) => state.profile.id);
  // What is stored by now is what the server reads; each start forgets ticks.
  const version = useEditor((state) => state.profile.version);
  const { state } = trial;
  const [notes, setNotes] = useState<StartNotes | null>(null);
  useEffect(() => {
    let isLeft = false;
    void readStartNotes().then((read) => {
      const found = isLeft ? null : unwrap(read);
      if (found) setNotes(found);
    });
    return () => {
      isLeft = true;
    };
  }, [profile, version, state, unwrap]);
  const tick = useCallback(
    async (key: string, isMet: boolean) => {
      const changed = unwrap(await tickCondition(key, isMet));
      if (changed) setNotes(changed);
    },
    [unwrap],
  );
  return { notes, tick };
}
