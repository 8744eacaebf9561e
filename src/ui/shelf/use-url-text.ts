import { useSearchParams } from "next/navigation";
import { useCallback } from "react";

/** A text that lives in the address, so that a filter survives a reload and can be passed on. */
export function useUrlText(key: string): [string, (text: string) => void] {
  const params = useSearchParams();
  const set = useCallback(
    (text: string) => {
      const next = new URLSearchParams(location.search);
      if (text) next.set(key, text);
      else next.delete(key);
      const query = next.toString();
      window.history.replaceState(null, "", query ? `?${query}` : location.pathname);
    },
    [key],
  );
  return [params.get(key) ?? "", set];
}
