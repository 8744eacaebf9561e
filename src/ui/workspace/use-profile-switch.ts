import { say } from "@/core/language/say";
import type { ProfileId } from "@/core/model/ids";
import { useCallback } from "react";
import type { Outcome } from "@/core/model/outcome";
import type { ProfileEditor } from "./editor";
import { orderFileGap } from "@/core/check/order-file";
import { afterSwitch } from "./launch-choices";
import { readProfiles, switchProfile } from "./server";
import type { Tell } from "./messages";

/**
 * Works on another profile of the game in one act; only what differs between profiles is read before it shows, and what
 * is told of all of them after that. Answers whether it did.
 */
export function useProfileSwitch(
  editor: ProfileEditor,
  unwrap: <T>(outcome: Outcome<T>) => T | null,
  tell: Tell,
  write: () => Promise<boolean>,
): (id: ProfileId) => Promise<boolean> {
  return useCallback(
    async (id: ProfileId) => {
      await editor.settled();
      const switched = unwrap(await switchProfile(id));
      if (!switched) return false;
      const { view, onDisk: own } = switched;
      editor.receive({ ...editor.getState().view, ...view, ...(own && { onDisk: own }) });
      const { roster, onDisk, profile } = editor.getState();
      const how = afterSwitch.get();
      if (how !== "leave" && orderFileGap(roster, onDisk) !== null) {
        if (how === "write") void write();
        else
          tell([say("workspace.isShownTheGameReadsAnother", { name: profile.name })], "plain", {
            word: say("workspace.writeThisProfileSOrder"),
            run: () => void write(),
          });
      }
      const all = await readProfiles(view.profile.game);
      if (all.ok) editor.setProfiles(all.value);
      return true;
    },
    [editor, unwrap, tell, write],
  );
}
