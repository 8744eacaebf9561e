import { useCallback, useMemo, useRef, useState } from "react";
import type { Outcome } from "@/core/model/outcome";
import { postForLines } from "./read-lines";

interface Progress {
  readonly done: number;
  readonly total: number;
  readonly unchanged: number;
  readonly path: string;
}

interface Summary {
  readonly total: number;
  readonly read: number;
  readonly unchanged: number;
  readonly unsound: number;
}

export interface ShelfReadingState {
  readonly progress: Progress | null;
  readonly busy: boolean;
  readonly last: Summary | null;
  readonly read: () => Promise<void>;
  readonly cancel: () => void;
}

/** Reading the shelf folder: its count while it goes on, and what the last reading found. */
export function useShelfReading(
  unwrap: <T>(outcome: Outcome<T>) => T | null,
  refresh: () => void,
): ShelfReadingState {
  const [progress, setProgress] = useState<Progress | null>(null);
  const [busy, setBusy] = useState(false);
  const [last, setLast] = useState<Summary | null>(null);
  const present = useRef<AbortController>(null);
  const read = useCallback(async () => {
    const abort = (present.current = new AbortController());
    setBusy(true);
    const outcome = await postForLines<Summary>("/api/shelf", abort.signal, (value) =>
      setProgress(value as Progress),
    );
    setBusy(false);
    setProgress(null);
    if (!outcome) return;
    setLast(unwrap(outcome));
    refresh();
  }, [unwrap, refresh]);
  const cancel = useCallback(() => present.current?.abort(), []);
  return useMemo(() => ({ progress, busy, last, read, cancel }), [progress, busy, last, read, cancel]);
}
