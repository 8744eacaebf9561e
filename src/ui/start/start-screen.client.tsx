"use client";

import type { StartView } from "@/server/views/workspace";
import { AddGameForm } from "./add-game-form";
import { KeptBefore } from "./kept-before";

/** The first thing on a fresh machine: which game, and where its files are. */
export function StartScreen({ games, onAdded }: StartView & { onAdded: () => void }) {
  return (
    <main className="mx-auto py-16 max-h-full w-[53.75rem] max-w-[94vw] overflow-auto space-y-4">
      <h1 className="text-xl font-bold">Which game do you keep mods for?</h1>
      <p className="text-ink2">
        Seating reads two folders: the game’s own, where the order file is written, and your shelf, where the
        archives and folders of mods lie. It touches nothing outside of them, and in the shelf only what you
        take in or put into the bin yourself.
      </p>
      <div className="border-line bg-surface rounded-md border p-4">
        <AddGameForm games={games} onAdded={onAdded} />
      </div>
      <KeptBefore onBack={onAdded} />
      <p className="text-ink3">
        To look around first, stop this server and run <code className="font-mono text-sm">npm run demo</code>
        : it brings a game and a shelf of its own.
      </p>
    </main>
  );
}
