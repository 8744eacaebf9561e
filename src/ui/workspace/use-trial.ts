import { useCallback, useMemo, useRef, useState } from "react";
import type { Outcome } from "@/core/model/outcome";
import { postForLines } from "./read-lines";

export interface TrialState {
  /** Null: none was started in this window. */
  readonly state: "under way" | "running" | "stopped" | null;
  readonly lines: readonly string[];
  readonly start: () => Promise<void>;
}

/** The start of the stand-in game and its log, which `show` brings into sight. */
export function useTrial(unwrap: <T>(outcome: Outcome<T>) => T | null, show: () => void): TrialState {
  const [lines, setLines] = useState<readonly string[]>([]);
  const [state, setState] = useState<TrialState["state"]>(null);
  const present = useRef<AbortController>(null);
  const start = useCallback(async () => {
    present.current?.abort();
    const abort = (present.current = new AbortController());
    show();
    setLines([]);
    setState("under way");
    const outcome = await postForLines<{ running: boolean }>("/api/trial", abort.signal, (value) => {
      setLines((now) => [...now, (value as { line: string }).line]);
    });
    if (outcome) setState(unwrap(outcome)?.running ? "running" : "stopped");
  }, [unwrap, show]);
  return useMemo(() => ({ lines, state, start }), [lines, state, start]);
}
