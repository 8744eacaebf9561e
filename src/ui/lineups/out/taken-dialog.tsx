"use client";

import { say } from "@/core/language/say";
import { Button } from "../../kit/button";
import { Dialog } from "../../kit/dialog";
import type { Numbering } from "./use-numbering";

/** Asks for a number of its own for a list that would go out under that of another one. */
export function TakenDialog({ taken }: Pick<Numbering, "taken">) {
  if (!taken) return null;
  const { version, next, answer } = taken;
  return (
    <Dialog
      open
      onClose={() => answer(null)}
      title={say("lineups.versionWentOutWithOtherContents", { version })}
      hint={say("lineups.whoHasItCouldNotTell")}
    >
      <div className="flex flex-wrap gap-2">
        <Button look="main" onClick={() => answer(next)}>
          {say("lineups.use", { next })}
        </Button>
        <Button onClick={() => answer(version)}>{say("lineups.keep2", { version })}</Button>
        <Button look="quiet" onClick={() => answer(null)}>
          {say("common.cancel")}
        </Button>
      </div>
    </Dialog>
  );
}
