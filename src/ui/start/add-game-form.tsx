"use client";

import { useState, type FormEvent } from "react";
import { plainText } from "@/core/messages/parts";
import { sayRefusal } from "@/core/messages/refusals";
import type { GameListed } from "@/server/views/workspace";
import { Button } from "../kit/button";
import { Field, inputLook } from "../kit/field";
import { addGame } from "../workspace/server";

/** Which game, and the folders in which it and its mods lie. */
export function AddGameForm({ games, onAdded }: { games: readonly GameListed[]; onAdded: () => void }) {
  const [id, setId] = useState(games[0]?.id ?? "");
  const [gameFolder, setGameFolder] = useState("");
  const [shelfFolder, setShelfFolder] = useState("");
  const [wrong, setWrong] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const add = async (event: FormEvent) => {
    event.preventDefault();
    setBusy(true);
    const outcome = await addGame({ id, gameFolder, shelfFolder });
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
      <Field
        label="Folder of the game"
        value={gameFolder}
        onChange={(event) => setGameFolder(event.target.value)}
        placeholder="/games/brinehollow"
        spellCheck={false}
      />
      <Field
        label="Folder of the shelf"
        value={shelfFolder}
        onChange={(event) => setShelfFolder(event.target.value)}
        placeholder="/games/brinehollow-mods"
        spellCheck={false}
        hint="Every archive and every folder in it is one mod."
      />
      {wrong && (
        <p role="alert" className="text-brick">
          {wrong}
        </p>
      )}
      <Button look="main" type="submit" disabled={busy || gameFolder === "" || shelfFolder === ""}>
        {busy ? "Looking…" : "Use these folders"}
      </Button>
    </form>
  );
}
