"use client";

import { say } from "@/core/language/say";
import { Button } from "../kit/button";
import { useWorkspace } from "../workspace/workspace.client";
import { useStanding } from "./standing";

/** Writes the order; where another program wrote the file, shows it first. */
export function OrderFileButton({ small = false }: { small?: boolean }) {
  const { orderFile } = useWorkspace();
  const { standing } = useStanding();
  if (standing === "theirs")
    return (
      <Button small={small} onClick={() => void orderFile.look()}>
        {say("common.lookAtTheOrderFile")}
      </Button>
    );
  return (
    <Button small={small} onClick={() => void orderFile.write()} disabled={standing === "current"}>
      {standing === "current" ? say("orderFile.itIsCurrent") : say("common.writeOrderFile")}
    </Button>
  );
}
