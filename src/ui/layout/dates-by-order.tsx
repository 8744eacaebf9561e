"use client";

import { useId } from "react";
import { say } from "@/core/language/say";
import { layingOf } from "@/core/model/placement";
import { datesKey } from "@/core/model/preferences";
import { readOrderOnDisk, setPreference } from "../workspace/server";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** Whether plugins get the dates of their order, where there are any and the definition does not say it; with what undoes it. */
export function DatesByOrder() {
  const { editor, unwrap } = useWorkspace();
  const game = useEditor(({ view }) => view.game);
  const isOn = useEditor(({ onDisk }) => onDisk.isByDate === true);
  const hint = useId();
  if (!game.lists.includes("plugins")) return null;
  const isLaw = layingOf(game)?.datesByOrder === true;
  const choose = async (on: boolean) => {
    await setPreference(datesKey, on).then(unwrap);
    const onDisk = await readOrderOnDisk();
    if (onDisk.ok) editor.setOnDisk(onDisk.value);
  };
  return (
    <div className="w-full">
      {isLaw ? (
        <p>{say("layout.datesByLaw")}</p>
      ) : (
        <label className="flex items-center gap-1.5">
          <input
            type="checkbox"
            className="accent-pine"
            aria-describedby={hint}
            checked={isOn}
            onChange={(event) => void choose(event.target.checked)}
          />
          {say("layout.datesByOrder")}
        </label>
      )}
      <p id={hint} className="text-ink3 text-sm">
        {say("layout.datesUndone")}
      </p>
    </div>
  );
}
