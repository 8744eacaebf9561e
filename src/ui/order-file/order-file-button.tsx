"use client";

import { say } from "@/core/language/say";
import { Button } from "../kit/button";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { useStanding } from "./standing";

/** Writes the order, and lays the mods out where the game needs that; where another program wrote the file, shows it first. */
export function OrderFileButton({ small = false }: { small?: boolean }) {
  const { orderFile } = useWorkspace();
  const { standing, gap } = useStanding();
  const lays = useEditor(({ onDisk }) => onDisk.laid !== undefined);
  if (standing === "theirs")
    return (
      <Button small={small} onClick={() => void orderFile.look()}>
        {say("common.lookAtTheOrderFile")}
      </Button>
    );
  return (
    <Button
      small={small}
      onClick={() => void orderFile.write()}
      disabled={standing === "current" || orderFile.isBusy}
    >
      {standing === "current"
        ? say("orderFile.itIsCurrent")
        : orderFile.isBusy
          ? say(lays ? "layout.layingOut" : "orderFile.writing")
          : say(gap?.layout ? "layout.layOut" : "common.writeOrderFile")}
    </Button>
  );
}
