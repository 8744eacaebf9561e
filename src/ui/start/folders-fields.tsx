"use client";

import { Plus, X } from "lucide-react";
import type { GameFolders } from "@/core/model/game";
import { Button } from "../kit/button";
import { FolderField } from "./folder-field";

export const noFolders: GameFolders = { game: "", order: "", shelves: [""] };

export const areNamed = ({ game, shelves }: GameFolders): boolean =>
  game.trim() !== "" && shelves.every((shelf) => shelf.trim() !== "");

/** Where a game, its order file and its mods lie. */
export function FoldersFields({
  folders,
  sign,
  onChange,
  onGame,
}: {
  folders: GameFolders;
  sign: string;
  /** Where another game can be chosen: of the one that is found in a folder. */
  onGame?: (id: string, folder: string) => void;
  onChange: (folders: GameFolders) => void;
}) {
  const { game, order, shelves } = folders;
  const setShelf = (at: number, path: string) =>
    onChange({ ...folders, shelves: shelves.map((each, index) => (index === at ? path : each)) });
  return (
    <>
      <FolderField
        label="Folder of the game"
        value={game}
        onChange={(path) => onChange({ ...folders, game: path })}
        sign={sign}
        needs="writing"
        placeholder="/games/… or ~/games/…"
        {...(onGame ? { onGame: (found) => onGame(found.id, found.path) } : {})}
      />
      {shelves.map((shelf, at) => (
        <FolderField
          key={at}
          label={at === 0 ? "Folder of the shelf" : `Another shelf, ${at + 1}`}
          value={shelf}
          onChange={(path) => setShelf(at, path)}
          needs="mods"
          {...(at === 0 ? { hint: "Every archive and every folder in it is one mod." } : {})}
          action={
            at > 0 && (
              <Button
                look="quiet"
                aria-label={`Do without shelf ${at + 1}`}
                onClick={() => onChange({ ...folders, shelves: shelves.filter((_, index) => index !== at) })}
              >
                <X size={14} aria-hidden />
              </Button>
            )
          }
        />
      ))}
      <Button small look="quiet" onClick={() => onChange({ ...folders, shelves: [...shelves, ""] })}>
        <Plus size={14} aria-hidden /> Mods lie in another folder too
      </Button>
      <FolderField
        label="Folder of the order file (empty: the game’s)"
        value={order}
        onChange={(path) => onChange({ ...folders, order: path })}
        needs="writing"
      />
    </>
  );
}
