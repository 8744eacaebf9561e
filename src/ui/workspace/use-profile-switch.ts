import { useCallback } from "react";
import type { Outcome } from "@/core/model/outcome";
import type { ProfileEditor } from "./editor";
import { switchProfile } from "./server";

/** Works on another profile of the game in one act; only what differs between profiles is read. Answers whether it did. */
export function useProfileSwitch(
  editor: ProfileEditor,
  unwrap: <T>(outcome: Outcome<T>) => T | null,
): (id: string) => Promise<boolean> {
  return useCallback(
    async (id: string) => {
      await editor.settled();
      const view = unwrap(await switchProfile(id));
      if (view) editor.receive({ ...editor.getState().view, ...view });
      return view !== null;
    },
    [editor, unwrap],
  );
}
