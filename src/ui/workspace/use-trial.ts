import { useCallback, useMemo, useRef, useState } from "react";
import { orderFileGap } from "@/core/check/order-file";
import type { Outcome } from "@/core/model/outcome";
import type { ProfileEditor } from "./editor";
import type { BlendState } from "./use-blend";
import { trialStart } from "./launch-choices";
import { postForLines } from "./read-lines";

/** Which order the game is to start with. */
type StartWith = "write" | "as-written";

export interface TrialState {
  /** "asked": what it starts with is to be answered. Null: none was started in this window. */
  readonly state: "asked" | "under way" | "running" | "stopped" | null;
  readonly lines: readonly string[];
  /** Without an answer it asks where the game would read another order, unless its user has said what to do then. */
  readonly start: (answer?: StartWith) => Promise<void>;
}

/**
 * The start of the stand-in game and its log, which `show` brings into sight; `write` answers whether the order is written. A blend that
 * is due is built anew before that. `ended`: how it went is kept by now.
 */
export function useTrial(
  editor: ProfileEditor,
  unwrap: <T>(outcome: Outcome<T>) => T | null,
  show: () => void,
  write: () => Promise<boolean>,
  { isDue, build }: BlendState,
  ended: () => void,
): TrialState {
  const [lines, setLines] = useState<readonly string[]>([]);
  const [state, setState] = useState<TrialState["state"]>(null);
  const present = useRef<AbortController>(null);
  const start = useCallback(
    async (answer?: StartWith) => {
      present.current?.abort();
      const abort = (present.current = new AbortController());
      show();
      setLines([]);
      const due = await isDue();
      const { roster, onDisk } = editor.getState();
      const isOther = due || orderFileGap(roster, onDisk) !== null;
      const how = answer ?? trialStart.get();
      if (abort.signal.aborted) return;
      if (isOther && how === "ask") return setState("asked");
      setState("under way");
      const makeCurrent = async () => (!due || (await build())) && (await write());
      // What another program has written is looked at first, and the trial started anew after that.
      if (isOther && how === "write" && !(await makeCurrent())) return setState("asked");
      const outcome = await postForLines<{ running: boolean }>("/api/trial", abort.signal, (value) => {
        setLines((now) => [...now, (value as { line: string }).line]);
      });
      if (!outcome) return;
      setState(unwrap(outcome)?.running ? "running" : "stopped");
      ended();
    },
    [editor, unwrap, show, write, isDue, build, ended],
  );
  return useMemo(() => ({ lines, state, start }), [lines, state, start]);
}
