"use client";

import { say } from "@/core/language/say";
import { rich } from "../kit/rich";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { formatSize } from "../kit/format-size";
import { bringBackMods, dropFromShelf } from "../workspace/server";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import type { ShelfRow } from "./shelf-rows";

interface Props {
  open: boolean;
  onClose: () => void;
  rows: readonly ShelfRow[];
}

const mostShown = 8;

/** Says who would lose what before anything is dropped. */
export function DropDialog({ rows, open, onClose }: Props) {
  const { editor, unwrap, refresh, tell, shelfReading } = useWorkspace();
  const present = useEditor((state) => state.profile.name);
  // Another version of the mod goes on counting for the profiles that hold it.
  const counting = rows.filter(({ state }) => state !== "superseded" && state !== "unsound");
  const losing = new Map<string, string[]>();
  for (const { name, seated, profiles } of counting)
    for (const profile of [...(seated ? [present] : []), ...profiles])
      losing.set(profile, [...(losing.get(profile) ?? []), name]);
  const size = rows.reduce((sum, { mod }) => sum + (mod?.size ?? 0), 0);
  const drop = async () => {
    await editor.settled();
    const binned = unwrap(await dropFromShelf(rows.map((row) => row.mod!.path)));
    if (!binned) return;
    onClose();
    refresh();
    const back = () => void bringBackMods(binned).then(unwrap).then(shelfReading.read);
    tell([say("shelf.modsMovedToBin", { count: binned.length })], "plain", {
      word: say("common.restore"),
      run: back,
    });
  };
  return (
    <Dialog
      open={open}
      onClose={onClose}
      title={say("shelf.moveModsToBin", { count: rows.length })}
      hint={say("shelf.moveIntoTheBinBesideThe", { size: formatSize(size) })}
    >
      {losing.size === 0 ? (
        <p>{say("shelf.noProfileUsesAnyOfThem", { count: rows.length })}</p>
      ) : (
        <ul className="space-y-1.5">
          {[...losing].map(([profile, names]) => (
            <li key={profile}>
              {rich("shelf.wouldLoseMods", { name: <b>{profile}</b>, count: names.length })}
              <span className="text-ink2">
                {names.slice(0, mostShown).join(", ")}
                {names.length > mostShown && say("shelf.andMore", { count: names.length - mostShown })}
              </span>
            </li>
          ))}
        </ul>
      )}
      <div className="mt-3 flex justify-end gap-2">
        <Button look="quiet" onClick={onClose}>
          {say("common.cancel")}
        </Button>
        <Button look="danger" onClick={() => void drop()}>
          {say("shelf.moveModsToBin", { count: rows.length })}
        </Button>
      </div>
    </Dialog>
  );
}
