import { useEffect, useState } from "react";
import type { ShelfChanges } from "@/server/operations/shelf-changes";
import { listen } from "./read-lines";

/** Milliseconds before a server that has gone is asked again. */
const again = 15_000;

/**
 * How the shelf folders of the game differ from what was last read; null where they do not, or it is not known. `read` is
 * whatever is new after every reading. Only a window that is looked at listens.
 */
export function useShelfChanges(game: string, read: unknown): ShelfChanges | null {
  const [changes, setChanges] = useState<ShelfChanges | null>(null);
  useEffect(() => {
    let stop = new AbortController();
    let timer: ReturnType<typeof setTimeout> | undefined;
    const hear = () => {
      if (document.visibilityState !== "visible") return;
      const { signal } = (stop = new AbortController());
      void listen("/api/shelf/changes", signal, (value) => {
        if (isChanges(value)) setChanges(value);
      }).then(() => {
        if (!signal.aborted) timer = setTimeout(hear, again);
      });
    };
    const turn = () => {
      stop.abort();
      clearTimeout(timer);
      hear();
    };
    hear();
    document.addEventListener("visibilitychange", turn);
    return () => {
      stop.abort();
      clearTimeout(timer);
      document.removeEventListener("visibilitychange", turn);
    };
  }, [game, read]);
  const count = changes ? changes.added.length + changes.changed.length + changes.gone.length : 0;
  return changes?.game === game && count > 0 ? changes : null;
}

const isChanges = (value: unknown): value is ShelfChanges =>
  typeof value === "object" && value !== null && "added" in value;
