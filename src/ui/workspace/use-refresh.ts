import { usePathname, useSearchParams } from "next/navigation";
import { useCallback, useEffect, useRef } from "react";
import type { ProfileId } from "@/core/model/ids";
import { done, type Outcome } from "@/core/model/outcome";
import { showProfile } from "./address";
import type { ProfileEditor } from "./editor";
import { isAtLeast } from "./events";
import { readWorkspace } from "./read-workspace";
import { unreachable } from "./server";
import { useStateOf } from "./use-state-of";

interface Refreshing {
  readonly refresh: () => void;
  /** Resolves when it is shown. */
  readonly workOn: (id: ProfileId | null) => Promise<void>;
  /** Reads anew unless what is shown, or on its way, was read at that moment (`Events.at`) or later. */
  readonly reach: (at: string) => Promise<void>;
}

/** Keeps the profile in the address, and reads anew what the server shows of it, or of another one. */
export function useRefresh(editor: ProfileEditor, unwrap: <T>(outcome: Outcome<T>) => T | null): Refreshing {
  const path = usePathname();
  const query = useSearchParams();
  const profile = useStateOf(editor, (state) => state.profile.id);
  const token = useStateOf(editor, ({ view }) => view.token);
  // The router draws the address of a view when that is there, and it has no profile.
  useEffect(() => showProfile(profile, token), [profile, token, path, query]);

  /** The last question, which resolves when what it asked for is shown. */
  const asked = useRef<Promise<void>>(undefined);
  /** Which profile is asked for and not shown yet: what is refreshed meanwhile is that one. */
  const wanted = useRef<ProfileId | null | undefined>(undefined);
  const show = useCallback(
    (id: ProfileId | null) => {
      const ask = async (): Promise<void> => {
        const view = await readWorkspace(id, token, editor.getState().view).then(done, unreachable);
        // An older answer that comes late says nothing new.
        if (asked.current !== own) return asked.current;
        wanted.current = undefined;
        const received = unwrap(view);
        if (!received) return;
        if ("stock" in received) editor.receive(received);
        else location.reload();
      };
      const own = ask();
      asked.current = own;
      return own;
    },
    [editor, token, unwrap],
  );
  const refresh = useCallback(() => {
    const { current } = wanted;
    void show(current === undefined ? editor.getState().profile.id : current);
  }, [editor, show]);
  const workOn = useCallback(
    (id: ProfileId | null) => {
      wanted.current = id;
      return show(id);
    },
    [show],
  );
  const reach = useCallback(
    async (at: string) => {
      await asked.current;
      if (!isAtLeast(editor.getState().view.at, at)) refresh();
    },
    [editor, refresh],
  );
  return { refresh, workOn, reach };
}
