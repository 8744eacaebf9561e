import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { Outcome } from "@/core/model/outcome";
import type { ShelfChanges } from "@/server/events";
import type { ProfileEditor } from "./editor";
import { postForLines } from "./read-lines";
import { useStateOf } from "./use-state-of";

interface Progress {
  readonly done: number;
  readonly total: number;
  readonly unchanged: number;
  /** Files within those done. */
  readonly files: number;
  readonly path: string;
}

interface Summary {
  readonly total: number;
  readonly read: number;
  readonly unchanged: number;
  readonly unsound: number;
}

/** How far a reading is, how fast it goes on, and how long it will take from now. */
export interface ReadingProgress extends Progress {
  readonly filesPerSecond: number;
  readonly secondsLeft: number | null;
}

export interface ShelfReadingState {
  readonly progress: ReadingProgress | null;
  readonly busy: boolean;
  readonly last: Summary | null;
  /** What has changed on the disk since; null where nothing has. */
  readonly changes: ShelfChanges | null;
  readonly setChanges: (changes: ShelfChanges) => void;
  readonly read: () => Promise<void>;
  readonly cancel: () => void;
}

/** Seconds after which a rate means something. */
const settled = 1;

export function progressAt(progress: Progress, seconds: number): ReadingProgress {
  const { done, total, files } = progress;
  const isKnown = seconds >= settled && done > 0;
  return {
    ...progress,
    filesPerSecond: seconds > 0 ? files / seconds : 0,
    secondsLeft: isKnown ? ((total - done) * seconds) / done : null,
  };
}

/** Reading the shelf folders: its count while it goes on, what the last reading found, what has changed since. */
export function useShelfReading(
  editor: ProfileEditor,
  unwrap: <T>(outcome: Outcome<T>) => T | null,
  refresh: () => void,
): ShelfReadingState {
  const game = useStateOf(editor, ({ view }) => view.game.id);
  const neverRead = useStateOf(editor, ({ view }) => view.neverRead);
  const [progress, setProgress] = useState<ReadingProgress | null>(null);
  const [busy, setBusy] = useState(false);
  const [last, setLast] = useState<Summary | null>(null);
  const present = useRef<AbortController>(null);
  // What is told of another game must not take the place of what was told of this one.
  const [changesOf, setChangesOf] = useState<ReadonlyMap<string, ShelfChanges>>(new Map());
  const setChanges = useCallback(
    (told: ShelfChanges) => setChangesOf((before) => new Map(before).set(told.game, told)),
    [],
  );
  const changes = someOf(changesOf.get(game));
  const read = useCallback(async () => {
    const abort = (present.current = new AbortController());
    const began = performance.now();
    setBusy(true);
    const outcome = await postForLines<Summary>("/api/shelf", abort.signal, (value) =>
      setProgress(progressAt(value as Progress, (performance.now() - began) / 1000)),
    );
    setBusy(false);
    setProgress(null);
    // What was read before it was cancelled is kept, and seen.
    if (outcome) setLast(unwrap(outcome));
    refresh();
  }, [unwrap, refresh]);
  // A game that was just added: without its shelf there is nothing to see.
  const begun = useRef<string>(null);
  useEffect(() => {
    if (!neverRead || begun.current === game) return;
    begun.current = game;
    void read();
  }, [game, neverRead, read]);
  const cancel = useCallback(() => present.current?.abort(), []);
  return useMemo(
    () => ({ progress, busy, last, changes, setChanges, read, cancel }),
    [progress, busy, last, changes, setChanges, read, cancel],
  );
}

const someOf = (changes: ShelfChanges | undefined): ShelfChanges | null =>
  changes && changes.added.length + changes.changed.length + changes.gone.length > 0 ? changes : null;
