import { useEffect } from "react";

/** Leaving the page asks as long as there is something that would be lost, or is not stored; `isUnstored` is to stay the same function. */
export function useAskOnLeave(isUnstored: () => boolean): void {
  useEffect(() => {
    const onLeave = (event: BeforeUnloadEvent) => {
      if (isUnstored()) event.preventDefault();
    };
    window.addEventListener("beforeunload", onLeave);
    return () => window.removeEventListener("beforeunload", onLeave);
  }, [isUnstored]);
}
