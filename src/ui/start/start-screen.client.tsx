"use client";

import { useRouter } from "next/navigation";
import { useState, type FormEvent } from "react";
import { plainText } from "@/core/messages/parts";
import { sayRefusal } from "@/core/messages/refusals";
import { addGame } from "../workspace/server";
import type { StartView } from "@/server/views/workspace";
import { Button } from "../kit/button";
import { Field, inputLook } from "../kit/field";

/** The first thing on a fresh machine: which game, and where its files are. */
export function StartScreen({ games }: StartView) {
  const router = useRouter();
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
    if (!outcome.ok) return setWrong(plainText(sayRefusal(outcome.refusal)));
    router.push("/overview");
    router.refresh();
  };
  return (
    <main className="mx-auto mt-24 w-[520px] space-y-4">
      <h1 className="text-xl font-bold">Which game do you keep mods for?</h1>
      <p className="text-ink2">
        Seating reads two folders: the game’s own, where the order file is written, and your shelf, where the
        archives and folders of mods lie. It changes nothing in the shelf.
      </p>
      <form
        onSubmit={(event) => void add(event)}
        className="border-line bg-surface space-y-3 rounded-md border p-4"
      >
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
      <p className="text-ink3">
        To look around first, stop this server and run <code className="font-mono text-sm">npm run demo</code>
        : it brings a game and a shelf of its own.
      </p>
    </main>
  );
}
