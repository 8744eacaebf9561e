import { useCallback, useEffect, useMemo, useRef, useState } from "react";
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
  const [held, setHeld] = useState<Held | null>(null);
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
  const storeSoon = useCallback(
    (sheet: LineupSheet) => {
      if (waiting.current) clearTimeout(waiting.current.timer);
      const store = async () => void unwrap(await saveSheet(profile, sheet));
      waiting.current = { timer: setTimeout(() => void stored(), storedAfter), store };
    },
    [profile, unwrap, stored],
  );
  useEffect(() => {
    let wanted = true;
    void readSheet(profile).then((outcome) => {
      const read = unwrap(outcome);
      if (read && wanted)
        setHeld((now) => ({ of: profile, read, typed: now?.of === profile ? now.typed : {} }));
    });
    return () => {
      wanted = false;
      void stored();
    };
  }, [profile, unwrap, stored]);
  const { read, typed } = held?.of === profile ? held : nothingHeld;
  const sheet = useMemo(() => ({ ...(read ?? blankSheet), ...typed }), [read, typed]);
  // What was typed before the sheet was read lies over it, and is stored only with the rest of it.
  useEffect(() => {
    if (read && typed !== nothingHeld.typed && Object.keys(typed).length > 0)
      storeSoon({ ...read, ...typed });
  }, [read, typed, storeSoon]);
  const change = useCallback(
    (part: Partial<LineupSheet>) =>
      setHeld((now) => {
        const own = now?.of === profile ? now : { ...nothingHeld, of: profile };
        return { ...own, typed: { ...own.typed, ...part } };
      }),
    [profile],
  );
  return { sheet, change, stored };
}

/** A profile's sheet as it was read, null until then, and what was typed over it since. */
interface Held {
  readonly of: string;
  readonly read: LineupSheet | null;
  readonly typed: Partial<LineupSheet>;
}

const nothingHeld: Omit<Held, "of"> = { read: null, typed: {} };
