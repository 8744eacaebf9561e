"use client";

import { say } from "@/core/language/say";
import { useState } from "react";
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
    tell([say("game.isRemovedWhatWasKeptOf", { name: game.name })]);
    go("/overview");
    await workOn(null);
  };
  return (
    <section aria-labelledby="remove-game" className="max-w-2xl space-y-2">
      <h2 id="remove-game" className="text-lg font-bold">
        {say("game.removeThisGame")}
      </h2>
      <p className="text-ink2">{say("game.seatingForgetsTheGameAndIts", { name: game.name })}</p>
      <Button look="danger" onClick={() => ask(true)}>
        {say("game.remove2", { name: game.name })}
      </Button>
      <Dialog
        open={isAsked}
        onClose={() => ask(false)}
        title={say("game.remove3", { name: game.name })}
        hint={say("game.everythingThatSeatingKeepsOfAll")}
      >
        <p>
          {say("game.profilesGo", { count: there.length })}
          {there.length > 0 &&
            `: ${there
              .slice(0, 8)
              .map(({ name }) => name)
              .join(", ")}`}
          {say("game.soDoItsRulesNotesTags", {
            rest: there.length > 8 && say("common.andMore2", { count: there.length - 8 }),
          })}
        </p>
        <div className="mt-3 flex justify-end gap-2">
          <Button look="quiet" onClick={() => ask(false)}>
            {say("common.cancel")}
          </Button>
          <Button look="danger" disabled={busy} onClick={() => void remove()}>
            {busy ? say("game.removing") : say("game.remove4", { name: game.name })}
          </Button>
        </div>
      </Dialog>
    </section>
  );
}
