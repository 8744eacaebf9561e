import { useCallback, useRef } from "react";
import { findTyped } from "./selection";

/** Milliseconds within which letters belong to one word, from the moment at which the last one's row shows. */
const patience = 900;

/** Answers to which row a typed sign leads, with those typed before it; null where it leads nowhere, or is no letter or figure. */
export function useTypeAhead(): (
  sign: string,
  texts: () => readonly string[],
  active: number,
) => number | null {
  const typed = useRef({ text: "", until: 0 });
  return useCallback((sign, texts, active) => {
    if (!/^[\p{L}\p{N}]$/u.test(sign)) return null;
    const { text: before, until } = typed.current;
    const text = performance.now() < until ? before + sign : sign;
    const now = (typed.current = { text, until: Infinity });
    // Where the machine is busy a letter waits for the drawing of the one before, and nobody has been slow.
    requestAnimationFrame(() => setTimeout(() => (now.until = performance.now() + patience)));
    return findTyped(texts(), active, text);
  }, []);
}
