"use client";

import { say } from "@/core/language/say";
import { rich } from "../kit/rich";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { formatSize } from "../kit/format-size";
import type { ShelfRow } from "./shelf-rows";
import { useDropMods } from "./use-drop-mods";

interface Props {
  open: boolean;
  onClose: () => void;
  rows: readonly ShelfRow[];
}

const mostShown = 8;

/** Says who would lose what before anything is dropped. */
export function DropDialog({ rows, open, onClose }: Props) {
  const { losses, drop } = useDropMods();
  const losing = losses(rows);
  const size = rows.reduce((sum, { mod }) => sum + (mod?.size ?? 0), 0);
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
        <Button look="danger" onClick={() => void drop(rows).then((isDone) => isDone && onClose())}>
          {say("shelf.moveModsToBin", { count: rows.length })}
        </Button>
      </div>
    </Dialog>
  );
}
