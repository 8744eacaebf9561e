import { useCallback, useMemo, useState } from "react";
import type { GuidePlace } from "@/core/model/guide";

export type PanelTab = "trial" | "queue" | "history" | "messages" | "guide";

/** What the panel below the views shows. */
export interface PanelState {
  /** Null: it is closed. */
  readonly tab: PanelTab | null;
  /** What of the guide is read. */
  readonly guide: GuidePlace;
  readonly show: (tab: PanelTab) => void;
  readonly showGuide: (place: GuidePlace) => void;
  readonly close: () => void;
}

export function usePanel(): PanelState {
  const [tab, show] = useState<PanelTab | null>(null);
  const [guide, setGuide] = useState<GuidePlace>({ page: "first-evening" });
  const showGuide = useCallback((place: GuidePlace) => {
    setGuide(place);
    show("guide");
  }, []);
  const close = useCallback(() => show(null), []);
  return useMemo(() => ({ tab, guide, show, showGuide, close }), [tab, guide, showGuide, close]);
}
