"use client";

import { say } from "@/core/language/say";
import { SelectField } from "../kit/select";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** Which of the profiles that the game itself keeps this one is for; nothing of a game that keeps none. */
export function ProfileOfGame() {
  const { orderFile } = useWorkspace();
  const found = useEditor((state) => state.onDisk.ofGame);
  if (!found) return null;
  const { names, chosen, meant } = found;
  const value = meant ?? chosen ?? "";
  const other =
    chosen === null
      ? say("orderFile.chooseProfileOfGame")
      : say("orderFile.profileOfGameGone", { name: chosen });
  return (
    <div className="mb-3">
      <SelectField
        label={say("orderFile.profileOfGame")}
        hint={say(names.length > 0 ? "orderFile.profileOfGameHint" : "orderFile.noProfileOfGame")}
        value={value}
        options={[
          ...(meant === null ? [{ value, words: other }] : []),
          ...names.map((name) => ({ value: name, words: name })),
        ]}
        onChoose={(name) => name !== value && void orderFile.chooseProfileOfGame(name)}
      />
    </div>
  );
}
