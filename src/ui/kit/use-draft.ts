import { useCallback, useEffect, useRef, useState } from "react";
import type { z } from "zod";
import { keepDraft, readDraft } from "./drafts";
import { useAskOnLeave } from "./use-ask-on-leave";

interface Drafting<T> {
  readonly value: T;
  readonly setValue: (value: T) => void;
  /** It was typed earlier, and neither stored nor discarded. */
  readonly isEarlier: boolean;
  /** What is shown is stored now, or is no matter any more. */
  readonly forget: () => void;
  /** `start` shows again. */
  readonly discard: () => void;
}

/**
 * What is typed into a form, kept in the browser until it is stored or discarded, whatever becomes of the form and the page. As
 * long as the form is open, leaving the page asks.
 */
export function useDraft<T>(key: string, start: T, schema: z.ZodType<T>): Drafting<T> {
  const [value, setShown] = useState(start);
  const [isEarlier, setEarlier] = useState(false);
  const isTyped = useRef(false);
  // Where the server drew the form first it knew of no draft, so that it is looked for once the form has come to life.
  useEffect(() => {
    const looking = setTimeout(() => {
      const kept = readDraft(window.localStorage, key, schema);
      if (kept === null || isTyped.current) return;
      isTyped.current = true;
      setShown(kept);
      setEarlier(true);
    });
    return () => clearTimeout(looking);
  }, [key, schema]);
  useAskOnLeave(useCallback(() => isTyped.current, []));
  const setValue = useCallback(
    (next: T) => {
      isTyped.current = true;
      setShown(next);
      keepDraft(window.localStorage, key, next);
    },
    [key],
  );
  const forget = useCallback(() => {
    isTyped.current = false;
    keepDraft(window.localStorage, key, null);
    setEarlier(false);
  }, [key]);
  const discard = useCallback(() => {
    forget();
    setShown(start);
  }, [forget, start]);
  return { value, setValue, isEarlier, forget, discard };
}
