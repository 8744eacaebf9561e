import { useCallback, useMemo, useState } from "react";

export type PanelTab = "trial" | "queue" | "history" | "messages";

/** What the panel below the views shows. */
export interface PanelState {
  /** Null: it is closed. */
  readonly tab: PanelTab | null;
  readonly show: (tab: PanelTab) => void;
  readonly close: () => void;
}

export function usePanel(): PanelState {
  const [tab, show] = useState<PanelTab | null>(null);
  const close = useCallback(() => show(null), []);
  return useMemo(() => ({ tab, show, close }), [tab, close]);
}
