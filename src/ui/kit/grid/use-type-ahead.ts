import { useCallback, useRef } from "react";
import { findTyped } from "./selection";

/** Milliseconds within which letters belong to one word. */
const patience = 900;

/** Answers to which row a typed sign leads, with those typed before it; null where it leads nowhere, or is no letter or figure. */
export function useTypeAhead(): (
  sign: string,
  texts: () => readonly string[],
  active: number,
) => number | null {
  const typed = useRef({ text: "", at: 0 });
  return useCallback((sign, texts, active) => {
    if (!/^[\p{L}\p{N}]$/u.test(sign)) return null;
    const now = performance.now();
    const text = now - typed.current.at < patience ? typed.current.text + sign : sign;
    typed.current = { text, at: now };
    return findTyped(texts(), active, text);
  }, []);
}
