"use client";

import { useEffect, useState } from "react";

interface Answered<T> {
  /** The last one that came; null before the first. */
  readonly answer: T | null;
  /** Whether it is of what was asked last. */
  readonly isCurrent: boolean;
  /** Why the last one could not be computed. */
  readonly fault: string | null;
}

/** What the worker answers, asked anew when `question` becomes another function; the last answer stays until the next has come. */
export function useAnswer<T>(question: () => Promise<T | null>): Answered<T> {
  const [answer, setAnswer] = useState<{ readonly value: T; readonly to: unknown } | null>(null);
  const [fault, setFault] = useState<{ readonly text: string; readonly to: unknown } | null>(null);
  useEffect(() => {
    let wanted = true;
    question()
      .then((value) => {
        if (wanted && value !== null) setAnswer({ value, to: question });
      })
      .catch((error: Error) => wanted && setFault({ text: error.message, to: question }));
    return () => {
      wanted = false;
    };
  }, [question]);
  return {
    answer: answer?.value ?? null,
    isCurrent: answer?.to === question,
    fault: fault?.to === question ? fault.text : null,
  };
}
