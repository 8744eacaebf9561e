"use client";

import { useState } from "react";
import { plural } from "@/core/messages/parts";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { removeGame } from "../workspace/server";
import { useGo } from "../workspace/use-go";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** Takes the game out of Seating with all that is kept of it. */
export function RemoveGame() {
  const { editor, unwrap, workOn, tell } = useWorkspace();
  const { game, profiles } = useEditor((state) => state.view);
  const go = useGo();
  const [isAsked, ask] = useState(false);
  const [busy, setBusy] = useState(false);
  const there = profiles.filter(({ deleted }) => !deleted);
  const remove = async () => {
    setBusy(true);
    await editor.settled();
    const removed = unwrap(await removeGame(game.id));
    setBusy(false);
    if (!removed) return;
    ask(false);
    tell([`${game.name} is removed. What was kept of it can be restored under Settings, Data and undo.`]);
    go("/overview");
    await workOn(null);
  };
  return (
    <section aria-labelledby="remove-game" className="max-w-2xl space-y-2">
      <h2 id="remove-game" className="text-lg font-bold">
        Remove this game
      </h2>
      <p className="text-ink2">
        Seating forgets {game.name}. The game and its mods stay on the disk as they are, the order file too.
      </p>
      <Button look="danger" onClick={() => ask(true)}>
        Remove {game.name}…
      </Button>
      <Dialog
        open={isAsked}
        onClose={() => ask(false)}
        title={`Remove ${game.name}?`}
        hint="Everything that Seating keeps, of all games, is saved as an archive first. Restoring that brings the game back as it was."
      >
        <p>
          {plural(there.length, "profile goes", "profiles go")}
          {there.length > 0 &&
            `: ${there
              .slice(0, 8)
              .map(({ name }) => name)
              .join(", ")}`}
          {there.length > 8 && ` and ${there.length - 8} more`}; so do its rules, notes, tags, rulebooks,
          history and copies of order files.
        </p>
        <div className="mt-3 flex justify-end gap-2">
          <Button look="quiet" onClick={() => ask(false)}>
            Cancel
          </Button>
          <Button look="danger" disabled={busy} onClick={() => void remove()}>
            {busy ? "Removing…" : `Remove ${game.name}`}
          </Button>
        </div>
      </Dialog>
    </section>
  );
}
