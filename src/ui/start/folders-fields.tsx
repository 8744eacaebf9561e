"use client";

import { say } from "@/core/language/say";
import { rich } from "../kit/rich";
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
        label={say("start.folderOfTheGame")}
        value={game}
        onChange={(path) => onChange({ ...folders, game: path })}
        sign={sign}
        needs="writing"
        placeholder={say("start.gamesOrGames")}
        {...(onGame ? { onGame: (found) => onGame(found.id, found.path) } : {})}
      />
      {shelves.map((shelf, at) => (
        <FolderField
          key={at}
          label={at === 0 ? say("start.folderOfTheShelf") : say("start.anotherShelf", { at: at + 1 })}
          value={shelf}
          onChange={(path) => setShelf(at, path)}
          needs="mods"
          {...(at === 0 ? { hint: say("start.everyArchiveAndEveryFolderIn") } : {})}
          action={
            at > 0 && (
              <Button
                look="quiet"
                aria-label={say("start.doWithoutShelf", { at: at + 1 })}
                onClick={() => onChange({ ...folders, shelves: shelves.filter((_, index) => index !== at) })}
              >
                <X size={14} aria-hidden />
              </Button>
            )
          }
        />
      ))}
      <Button small look="quiet" onClick={() => onChange({ ...folders, shelves: [...shelves, ""] })}>
        {rich("start.modsLieInAnotherFolderToo", { plus: <Plus size={14} aria-hidden /> })}
      </Button>
      <FolderField
        label={say("start.folderOfTheOrderFileEmpty")}
        value={order}
        onChange={(path) => onChange({ ...folders, order: path })}
        needs="writing"
      />
    </>
  );
}
