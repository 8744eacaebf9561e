import { useCallback, useMemo, useRef, useState } from "react";
import type { LayoutProgress } from "@/core/layout/preview";
import type { OnDisk } from "@/core/check/check";
import type { Outcome } from "@/core/model/outcome";
import { postForLines } from "../workspace/read-lines";
import { cancelLayout } from "../workspace/server";

interface LayingProgress extends LayoutProgress {
  readonly perSecond: number;
}

export interface LayingState {
  /** How far laying out is; null before the first of it, and while nothing is done. */
  readonly progress: LayingProgress | null;
  readonly isBusy: boolean;
  readonly cancel: () => void;
}

/** Writing an order and taking all back, as the server does it: how far that is, and how it ends. */
export function useLaying(): LayingState & { readonly post: (url: string) => Promise<Outcome<OnDisk>> } {
  const [progress, setProgress] = useState<LayingProgress | null>(null);
  const [isBusy, setBusy] = useState(false);
  const begun = useRef<{ readonly phase: string; readonly at: number }>(null);
  const post = useCallback(async (url: string) => {
    setBusy(true);
    begun.current = null;
    try {
      const outcome = await postForLines<OnDisk>(url, new AbortController().signal, (value) => {
        const now = value as LayoutProgress;
        if (begun.current?.phase !== now.phase) begun.current = { phase: now.phase, at: performance.now() };
        const seconds = (performance.now() - begun.current.at) / 1000;
        setProgress({ ...now, perSecond: seconds > 0.2 ? now.done / seconds : 0 });
      });
      return outcome!;
    } finally {
      setBusy(false);
      setProgress(null);
    }
  }, []);
  return useMemo(
    () => ({ progress, isBusy, post, cancel: () => void cancelLayout() }),
    [progress, isBusy, post],
  );
}
