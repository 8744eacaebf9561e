"use client";

import { useEffect } from "react";
import { say } from "@/core/language/say";
import { openGuideApart } from "../guide/place-in-question";
import { rich } from "../kit/rich";
import type { StartView } from "@/server/views/workspace";
import { AddGameForm } from "./add-game-form";
import { KeptBefore } from "./kept-before";

const openFirstEvening = () => openGuideApart({ page: "first-evening" });

/** The first thing on a fresh machine: which game, and where its files are. */
export function StartScreen({ games, onAdded }: StartView & { onAdded: () => void }) {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== "F1") return;
      event.preventDefault();
      openFirstEvening();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  return (
    <main className="mx-auto py-16 max-h-full w-[53.75rem] max-w-[94vw] overflow-auto space-y-4">
      <h1 className="text-xl font-bold">{say("start.whichGameDoYouKeepMods")}</h1>
      <p className="text-ink2">{say("start.seatingReadsTwoFoldersTheGame")}</p>
      <p>
        <button
          type="button"
          onClick={openFirstEvening}
          className="text-pine font-semibold underline underline-offset-2"
        >
          {say("start.readTheGuide")}
        </button>{" "}
        <span className="text-ink2 font-mono text-sm">F1</span>
      </p>
      <div className="border-line bg-surface rounded-md border p-4">
        <AddGameForm games={games} onAdded={onAdded} />
      </div>
      <KeptBefore onBack={onAdded} />
      <p className="text-ink3">
        {rich("start.toLookAroundFirstStopThis", {
          code: <code className="font-mono text-sm">npm run demo</code>,
        })}
        {say("start.itBringsAGameAndA")}
      </p>
    </main>
  );
}
