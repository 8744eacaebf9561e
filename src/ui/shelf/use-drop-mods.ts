import { useCallback } from "react";
import { say } from "@/core/language/say";
import { bringBackMods, dropFromShelf } from "../workspace/server";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import type { ShelfRow } from "./shelf-rows";

interface DropMods {
  /** Names of the mods that each profile would lose, by its name. */
  readonly losses: (rows: readonly ShelfRow[]) => ReadonlyMap<string, readonly string[]>;
  /** Moves them to the bin and offers them back; false where that was refused. */
  readonly drop: (rows: readonly ShelfRow[]) => Promise<boolean>;
}

export function useDropMods(): DropMods {
  const { editor, unwrap, refresh, tell, shelfReading } = useWorkspace();
  const present = useEditor((state) => state.profile.name);
  const { read } = shelfReading;
  const losses = useCallback(
    (rows: readonly ShelfRow[]) => {
      const losing = new Map<string, string[]>();
      // Another version of the mod goes on counting for the profiles that hold it.
      for (const { name, seated, profiles, state } of rows)
        if (state !== "superseded" && state !== "unsound")
          for (const profile of [...(seated ? [present] : []), ...profiles])
            losing.set(profile, [...(losing.get(profile) ?? []), name]);
      return losing;
    },
    [present],
  );
  const drop = useCallback(
    async (rows: readonly ShelfRow[]) => {
      await editor.settled();
      const binned = unwrap(await dropFromShelf(rows.map((row) => row.mod!.path)));
      if (!binned) return false;
      refresh();
      tell([say("shelf.modsMovedToBin", { count: binned.length })], "plain", {
        word: say("common.restore"),
        run: () => void bringBackMods(binned).then(unwrap).then(read),
      });
      return true;
    },
    [editor, unwrap, refresh, tell, read],
  );
  return { losses, drop };
}
