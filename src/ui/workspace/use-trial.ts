import { useCallback, useMemo, useRef, useState } from "react";
import type { Outcome } from "@/core/model/outcome";
import { postForLines } from "./read-lines";

export interface TrialState {
  readonly open: boolean;
  readonly lines: readonly string[];
  readonly state: "under way" | "running" | "stopped";
  readonly start: () => Promise<void>;
  readonly close: () => void;
}

/** The start of the stand-in game and its log. */
export function useTrial(unwrap: <T>(outcome: Outcome<T>) => T | null): TrialState {
  const [open, setOpen] = useState(false);
  const [lines, setLines] = useState<readonly string[]>([]);
  const [state, setState] = useState<TrialState["state"]>("under way");
  const present = useRef<AbortController>(null);
  const start = useCallback(async () => {
    present.current?.abort();
    const abort = (present.current = new AbortController());
    setOpen(true);
    setLines([]);
    setState("under way");
    const outcome = await postForLines<{ running: boolean }>("/api/trial", abort.signal, (value) => {
      setLines((now) => [...now, (value as { line: string }).line]);
    });
    if (outcome) setState(unwrap(outcome)?.running ? "running" : "stopped");
  }, [unwrap]);
  const close = useCallback(() => {
    present.current?.abort();
    setOpen(false);
  }, []);
  return useMemo(() => ({ open, lines, state, start, close }), [open, lines, state, start, close]);
}
