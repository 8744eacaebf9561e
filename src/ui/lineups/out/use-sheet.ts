import { useCallback, useEffect, useRef, useState } from "react";
import { blankSheet, type LineupSheet } from "@/core/model/lineup";
import { readSheet, saveSheet } from "../../workspace/server";
import { useEditor, useWorkspace } from "../../workspace/workspace.client";

/** Milliseconds without a change after which it is stored. */
const storedAfter = 500;

export interface SheetState {
  readonly sheet: LineupSheet;
  readonly change: (part: Partial<LineupSheet>) => void;
  /** Resolves once what was typed is stored. */
  readonly stored: () => Promise<void>;
}

/** What the curator says of the list of the present profile, stored as it is typed. */
export function useSheet(): SheetState {
  const { unwrap } = useWorkspace();
  const profile = useEditor((state) => state.profile.id);
  const [held, setHeld] = useState<{ of: string; sheet: LineupSheet } | null>(null);
  const waiting = useRef<{ timer: ReturnType<typeof setTimeout>; store: () => Promise<void> } | null>(null);
  const storing = useRef<Promise<void>>(Promise.resolve());
  const stored = useCallback(async () => {
    if (waiting.current) {
      clearTimeout(waiting.current.timer);
      const { store } = waiting.current;
      waiting.current = null;
      storing.current = store();
    }
    await storing.current;
  }, []);
  useEffect(() => {
    let wanted = true;
    void readSheet(profile).then((outcome) => {
      const sheet = unwrap(outcome);
      if (sheet && wanted) setHeld({ of: profile, sheet });
    });
    return () => {
      wanted = false;
      void stored();
    };
  }, [profile, unwrap, stored]);
  const sheet = held?.of === profile ? held.sheet : blankSheet;
  const change = useCallback(
    (part: Partial<LineupSheet>) => {
      const next = { ...sheet, ...part };
      setHeld({ of: profile, sheet: next });
      if (waiting.current) clearTimeout(waiting.current.timer);
      const store = async () => void unwrap(await saveSheet(profile, next));
      waiting.current = { timer: setTimeout(() => void stored(), storedAfter), store };
    },
    [sheet, profile, unwrap, stored],
  );
  return { sheet, change, stored };
}
