import { say } from "@/core/language/say";
import { useCallback, useMemo, useState } from "react";
import type { Sentence } from "@/core/messages/parts";
import type { Outcome } from "@/core/model/outcome";
import type { TheirOrder } from "@/server/operations/order-file";
import type { ProfileEditor } from "../workspace/editor";
import { lookAtOrder, putCopyBack, takeOverOrder, writeOrder } from "../workspace/server";

export interface OrderFileState {
  /** An order that somebody else has written, while it is looked at. */
  readonly theirs: TheirOrder | null;
  /** Writes the order of the profile, and answers whether it did; what somebody else has written is looked at first. */
  readonly write: () => Promise<boolean>;
  readonly look: () => Promise<void>;
  readonly leave: () => void;
  /** Writes over what is looked at, of which a copy is kept. */
  readonly writeOver: () => Promise<boolean>;
  /** Makes the order that the game has the profile’s, by one edit. */
  readonly takeOver: () => Promise<void>;
  readonly putBack: (copy: string) => Promise<boolean>;
}

/** What can be done with the file in which the game reads its order. */
export function useOrderFile(
  editor: ProfileEditor,
  unwrap: <T>(outcome: Outcome<T>) => T | null,
  tell: (sentence: Sentence) => void,
): OrderFileState {
  const [theirs, setTheirs] = useState<TheirOrder | null>(null);
  const look = useCallback(async () => {
    await editor.settled();
    setTheirs(unwrap(await lookAtOrder(editor.getState().profile.id)));
  }, [editor, unwrap]);
  const writeSeen = useCallback(
    async (seen: string | null) => {
      await editor.settled();
      const outcome = await writeOrder(editor.getState().profile.id, seen);
      // Changed since it was last looked at: what would be lost is shown, not refused.
      if (!outcome.ok && outcome.refusal.code === "order-file-theirs") {
        await look();
        return false;
      }
      const onDisk = unwrap(outcome);
      if (!onDisk) return false;
      setTheirs(null);
      editor.setOnDisk(onDisk);
      const { path } = editor.getState().view.game.orderFile;
      tell([say("orderFile.isWrittenTheGameReadsThis", { path })]);
      return true;
    },
    [editor, unwrap, tell, look],
  );
  const takeOver = useCallback(async () => {
    if (!unwrap(await editor.changedBy(({ id, version }) => takeOverOrder(id, version)))) return;
    setTheirs(null);
    tell([say("orderFile.theProfileHasTheOrderOf")]);
  }, [editor, unwrap, tell]);
  const putBack = useCallback(
    async (copy: string) => {
      const onDisk = unwrap(await putCopyBack(copy));
      if (onDisk) editor.setOnDisk(onDisk);
      return onDisk !== null;
    },
    [editor, unwrap],
  );
  return useMemo(
    () => ({
      theirs,
      look,
      write: () => writeSeen(null),
      writeOver: () => writeSeen(theirs?.sha256 ?? null),
      leave: () => setTheirs(null),
      takeOver,
      putBack,
    }),
    [theirs, look, writeSeen, takeOver, putBack],
  );
}
