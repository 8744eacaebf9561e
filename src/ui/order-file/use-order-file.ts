import { layingOf } from "@/core/model/placement";
import { say } from "@/core/language/say";
import { useCallback, useMemo, useState } from "react";
import type { Sentence } from "@/core/messages/parts";
import type { Outcome } from "@/core/model/outcome";
import type { TheirOrder } from "@/server/operations/order-file";
import type { ProfileEditor } from "../workspace/editor";
import { chooseProfileOfGame, lookAtOrder, putCopyBack, takeOverOrder } from "../workspace/server";
import { useLaying, type LayingState } from "./use-laying";

interface Ways {
  /** What somebody changed of what lies in the game's folder is put again, too. */
  readonly putAgain?: boolean;
}

export interface OrderFileState extends LayingState {
  /** An order that somebody else has written, while it is looked at. */
  readonly theirs: TheirOrder | null;
  /**
   * Lays the mods of the profile out, where the game needs that, and writes its order; answers whether it did. What somebody else has written
   * is looked at first.
   */
  readonly write: (ways?: Ways) => Promise<boolean>;
  readonly look: () => Promise<void>;
  readonly leave: () => void;
  /** Writes over what is looked at, of which a copy is kept. */
  readonly writeOver: () => Promise<boolean>;
  /** Makes the order that the game has the profile’s, by one edit. */
  readonly takeOver: () => Promise<void>;
  /** Which of the game's own profiles this one is for; null: the only one that there is. */
  readonly chooseProfileOfGame: (name: string | null) => Promise<void>;
  readonly putBack: (copy: string) => Promise<boolean>;
  /** Takes all that is laid out back, and the order with it. */
  /** Of a game that reads a list of what to open: the lines in its settings. */
  readonly takeAllBack: () => Promise<boolean>;
}

/** What can be done with the file in which the game reads its order. */
export function useOrderFile(
  editor: ProfileEditor,
  unwrap: <T>(outcome: Outcome<T>) => T | null,
  tell: (sentence: Sentence) => void,
): OrderFileState {
  const [theirs, setTheirs] = useState<TheirOrder | null>(null);
  const { post, progress, isBusy, cancel } = useLaying();
  const look = useCallback(async () => {
    await editor.settled();
    setTheirs(unwrap(await lookAtOrder(editor.getState().profile.id)));
  }, [editor, unwrap]);
  const writeSeen = useCallback(
    async (seen: string | null, { putAgain = false }: Ways = {}) => {
      await editor.settled();
      const asked = {
        profile: editor.getState().profile.id,
        ...(seen !== null && { seen }),
        ...(putAgain && { again: "1" }),
      };
      const outcome = await post(`/api/order?${new URLSearchParams(asked)}`);
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
      tell([say(onDisk.laid ? "layout.isLaidOut" : "orderFile.isWrittenTheGameReadsThis", { path })]);
      return true;
    },
    [editor, unwrap, tell, look, post],
  );
  const takeAllBack = useCallback(async () => {
    const onDisk = unwrap(await post("/api/taking-back"));
    if (!onDisk) return false;
    editor.setOnDisk(onDisk);
    const isLaidOut = layingOf(editor.getState().roster.game) !== null;
    tell([say(isLaidOut ? "layout.isTakenBack" : "settings.areTakenBack")]);
    return true;
  }, [editor, unwrap, tell, post]);
  const choose = useCallback(
    async (name: string | null) => {
      const onDisk = unwrap(await chooseProfileOfGame(editor.getState().profile.id, name));
      if (onDisk) editor.setOnDisk(onDisk);
    },
    [editor, unwrap],
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
      write: (ways) => writeSeen(null, ways),
      writeOver: () => writeSeen(theirs?.sha256 ?? null),
      leave: () => setTheirs(null),
      takeOver,
      chooseProfileOfGame: choose,
      putBack,
      takeAllBack,
      progress,
      isBusy,
      cancel,
    }),
    [theirs, look, writeSeen, takeOver, choose, putBack, takeAllBack, progress, isBusy, cancel],
  );
}
