import { useSyncExternalStore } from "react";

/** Below this there is room for one thing at a time. In rem, so that large text counts as a narrow window. */
const query = "(max-width: 47.99rem)";

function subscribe(listener: () => void): () => void {
  const media = matchMedia(query);
  media.addEventListener("change", listener);
  return () => media.removeEventListener("change", listener);
}

export const useNarrow = (): boolean =>
  useSyncExternalStore(
    subscribe,
    () => matchMedia(query).matches,
    () => false,
  );
