import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { orderFileGap } from "@/core/check/order-file";
import { say } from "@/core/language/say";
import type { Sentence } from "@/core/messages/parts";
import { refuse, type Outcome } from "@/core/model/outcome";
import type { OfferedWay, OfferedWays } from "@/core/model/start";
import type { Trial, Verdict } from "@/core/model/trial";
import { openConditions } from "@/core/start/start-notes";
import type { ProfileEditor } from "./editor";
import type { BlendState } from "./use-blend";
import { trialStart } from "./launch-choices";
import { postForLines } from "./read-lines";
import { judgeTrial, readLiveTrial, readStartNotes, readWays } from "./server";

/** Which order the game is to start with. */
type StartWith = "write" | "as-written";

export interface TrialState {
  /**
   * "asked": what it starts with is to be answered; "confirm": what would run is to be read; "conditions": what is to be done before is to
   * be ticked. Null: none was started in this window.
   */
  readonly state: "asked" | "confirm" | "conditions" | "under way" | "running" | "ended" | null;
  /** The start that goes on, or the last one of this window. */
  readonly trial: Trial | null;
  readonly lines: readonly string[];
  /** What waits to be read and confirmed, or for its conditions. */
  readonly waiting: OfferedWay | null;
  /**
   * Without an answer it asks where the game would read another order, unless its user has said what to do then; `way`: null for the usual
   * one; `isUnmet`: also where conditions are not ticked.
   */
  readonly start: (answer?: StartWith, way?: string | null, isUnmet?: boolean) => Promise<void>;
  /** One that goes on is known again by every window, also after a reload, and whoever started it. */
  readonly look: () => Promise<void>;
  readonly loadWays: () => Promise<OfferedWays | null>;
  readonly judge: (verdict: Verdict | null, note: string) => Promise<void>;
}

/**
 * The start of the game and its log, which `show` brings into sight; `write` answers whether the order is written. A blend that is due is
 * built anew before that. `ended`: how it went is kept by now.
 */
export function useTrial(
  editor: ProfileEditor,
  { unwrap, tell }: { unwrap: <T>(outcome: Outcome<T>) => T | null; tell: (sentence: Sentence) => void },
  show: () => void,
  write: () => Promise<boolean>,
  { isDue, build }: BlendState,
  ended: () => void,
): TrialState {
  const [lines, setLines] = useState<readonly string[]>([]);
  const [state, setState] = useState<TrialState["state"]>(null);
  const [trial, setTrial] = useState<Trial | null>(null);
  const [waiting, setWaiting] = useState<OfferedWay | null>(null);
  const present = useRef<AbortController>(null);
  const isRunning = useRef(false);
  const wanted = useRef<string | null>(null);
  const withUnmet = useRef(false);
  const read = useCallback(
    async (query: Record<string, string>, abort: AbortController) => {
      isRunning.current = true;
      setLines([]);
      const outcome = await postForLines<Trial>(
        `/api/trial?${new URLSearchParams(query)}`,
        abort.signal,
        (value) => {
          const { began, line } = value as { began?: Trial; line?: string };
          if (began) {
            setTrial(began);
            setState("running");
          } else if (line !== undefined) setLines((now) => [...now, line]);
        },
      );
      if (!outcome || abort.signal.aborted) return;
      isRunning.current = false;
      const last = unwrap(outcome);
      setTrial((before) => last ?? before);
      setState(last ? "ended" : null);
      if (!last) return;
      // What was changed while it ran, and was read by it as it was before.
      const { roster, onDisk } = editor.getState();
      if (last.profile === roster.profile.id && last.fingerprint !== null && orderFileGap(roster, onDisk))
        await write();
      ended();
    },
    [editor, unwrap, write, ended],
  );
  const loadWays = useCallback(async () => unwrap(await readWays()), [unwrap]);
  const start = useCallback(
    async (answer?: StartWith, named?: string | null, isUnmet = false) => {
      if (named !== undefined || answer === undefined) {
        wanted.current = named ?? null;
        withUnmet.current = isUnmet;
      }
      show();
      if (isRunning.current)
        return void unwrap(refuse("game-runs", { game: editor.getState().view.game.name }));
      present.current?.abort();
      const abort = (present.current = new AbortController());
      setLines([]);
      // What is asked of the last start is asked no more.
      setState("under way");
      const found = await loadWays();
      if (abort.signal.aborted) return;
      if (!found) return setState(null);
      const wantedWay = wanted.current ?? found.usual;
      const way = found.ways.find(({ id }) => id === wantedWay);
      if (way) setWaiting(way);
      if (way && !way.isConfirmed) return setState("confirm");
      if (way?.starts !== "bare" && !withUnmet.current) {
        const notes = unwrap(await readStartNotes());
        if (abort.signal.aborted) return;
        if (!notes) return setState(null);
        if (openConditions(notes.told, new Set(notes.ticked)).length > 0) return setState("conditions");
      }
      const due = way?.starts !== "bare" && (await isDue());
      const { roster, onDisk } = editor.getState();
      const isOther = way?.starts !== "bare" && (due || orderFileGap(roster, onDisk) !== null);
      const how = answer ?? trialStart.get();
      // One that another window has started may be followed by now.
      if (abort.signal.aborted) return;
      if (isOther && how === "ask") return setState("asked");
      const makeCurrent = async () => (!due || (await build())) && (await write());
      // What another program has written is looked at first, and the trial started anew after that.
      const isReady = !isOther || how !== "write" || (await makeCurrent());
      if (abort.signal.aborted) return;
      if (!isReady) return setState("asked");
      await read({ way: wantedWay, ...(withUnmet.current && { unmet: "" }) }, abort);
    },
    [editor, unwrap, show, write, isDue, build, read, loadWays],
  );
  const look = useCallback(async () => {
    if (isRunning.current) return;
    const live = await readLiveTrial();
    if (!live.ok || !live.value || isRunning.current) return;
    present.current?.abort();
    setTrial(live.value);
    setState("running");
    await read({ follow: live.value.id }, (present.current = new AbortController()));
  }, [read]);
  useEffect(() => void look(), [look]);
  const judge = useCallback(
    async (verdict: Verdict | null, note: string) => {
      if (!trial) return;
      const judged = unwrap(await judgeTrial(trial.id, verdict, note));
      if (!judged) return;
      setTrial(judged);
      tell([say("trial.judged")]);
      ended();
    },
    [trial, unwrap, tell, ended],
  );
  return useMemo(
    () => ({ lines, state, trial, waiting, start, look, loadWays, judge }),
    [lines, state, trial, waiting, start, look, loadWays, judge],
  );
}
