"use client";

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
      title={`Version ${version} went out with other contents`}
      hint="Who has it could not tell the two apart. Give what goes out now a number of its own."
    >
      <div className="flex flex-wrap gap-2">
        <Button look="main" onClick={() => answer(next)}>
          Use {next}
        </Button>
        <Button onClick={() => answer(version)}>Keep {version}</Button>
        <Button look="quiet" onClick={() => answer(null)}>
          Cancel
        </Button>
      </div>
    </Dialog>
  );
}
