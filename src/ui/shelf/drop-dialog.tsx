"use client";

import { plural } from "@/core/messages/parts";
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
    tell([`${plural(binned.length, "mod")} moved to bin.`], "plain", {
      word: "Restore",
      run: back,
    });
  };
  return (
    <Dialog
      open={open}
      onClose={onClose}
      title={`Move ${plural(rows.length, "mod")} to bin`}
      hint={`${formatSize(size)} move into the bin beside the shelf folder. Profiles keep their seats, as missing.`}
    >
      {losing.size === 0 ? (
        <p>No profile uses {rows.length === 1 ? "it" : "any of them"}.</p>
      ) : (
        <ul className="space-y-1.5">
          {[...losing].map(([profile, names]) => (
            <li key={profile}>
              <b>{profile}</b> would lose {plural(names.length, "mod")}:{" "}
              <span className="text-ink2">
                {names.slice(0, mostShown).join(", ")}
                {names.length > mostShown && `, and ${names.length - mostShown} more`}
              </span>
            </li>
          ))}
        </ul>
      )}
      <div className="mt-3 flex justify-end gap-2">
        <Button look="quiet" onClick={onClose}>
          Cancel
        </Button>
        <Button look="danger" onClick={() => void drop()}>
          Move {plural(rows.length, "mod")} to bin
        </Button>
      </div>
    </Dialog>
  );
}
