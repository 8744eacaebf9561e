"use client";

import { useState, type FormEvent } from "react";
import { plainText } from "@/core/messages/parts";
import { sayRefusal } from "@/core/messages/refusals";
import type { GameListed } from "@/server/views/workspace";
import { Button } from "../kit/button";
import { inputLook } from "../kit/field";
import { addGame } from "../workspace/server";
import { areNamed, FoldersFields, noFolders } from "./folders-fields";

/** Which of the games that ship, and the folders in which it and its mods lie. */
export function AddGameForm({ games, onAdded }: { games: readonly GameListed[]; onAdded: () => void }) {
  const [id, setId] = useState(games[0]?.id ?? "");
  const [folders, setFolders] = useState(noFolders);
  const [wrong, setWrong] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const add = async (event: FormEvent) => {
    event.preventDefault();
    setBusy(true);
    const outcome = await addGame({ game: id, folders });
    setBusy(false);
    if (outcome.ok) onAdded();
    else setWrong(plainText(sayRefusal(outcome.refusal)));
  };
  return (
    <form onSubmit={(event) => void add(event)} className="space-y-3">
      <label className="block">
        <span className="text-ink2 mb-1 block text-sm font-semibold">Game</span>
        <select value={id} onChange={(event) => setId(event.target.value)} className={inputLook}>
          {games.map((game) => (
            <option key={game.id} value={game.id}>
              {game.name} {game.version}
            </option>
          ))}
        </select>
      </label>
      <FoldersFields
        folders={folders}
        sign={games.find((game) => game.id === id)?.sign ?? ""}
        onChange={setFolders}
      />
      {wrong && (
        <p role="alert" className="text-brick">
          {wrong}
        </p>
      )}
      <Button look="main" type="submit" disabled={busy || !areNamed(folders)}>
        {busy ? "Looking…" : "Use these folders"}
      </Button>
    </form>
  );
}
