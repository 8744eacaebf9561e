import { useCallback, useEffect, useMemo, useRef } from "react";
import type { z } from "zod";
import { setPreference } from "./server";
import { useEditor, useWorkspace } from "./workspace.client";

/** Milliseconds without a change after which a setting is stored. */
const storedAfter = 400;

/** What its user has set for the game; `standard` where nothing is set, or nothing that can be read any more. */
export function usePreference<T>(key: string, schema: z.ZodType<T>, standard: T): [T, (value: T) => void] {
  const { editor, unwrap } = useWorkspace();
  const stored = useEditor((state) => state.view.preferences)[key];
  const waiting = useRef<{ readonly timer: ReturnType<typeof setTimeout>; readonly send: () => void } | null>(
    null,
  );
  useEffect(() => {
    const flush = () => waiting.current?.send();
    addEventListener("pagehide", flush);
    return () => {
      removeEventListener("pagehide", flush);
      flush();
    };
  }, []);
  const value = useMemo(() => schema.safeParse(stored).data ?? standard, [schema, stored, standard]);
  const set = useCallback(
    (next: T) => {
      editor.setPreference(key, next);
      const send = () => {
        clearTimeout(waiting.current?.timer);
        waiting.current = null;
        void setPreference(key, next).then(unwrap);
      };
      clearTimeout(waiting.current?.timer);
      waiting.current = { timer: setTimeout(send, storedAfter), send };
    },
    [editor, unwrap, key],
  );
  return [value, set];
}
