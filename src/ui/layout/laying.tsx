"use client";

import { say } from "@/core/language/say";
import { Button } from "../kit/button";
import { useWorkspace } from "../workspace/workspace.client";

/** How far laying out is, how fast it goes on, and the key that cancels it. */
export function Laying() {
  const { progress, isBusy, cancel } = useWorkspace().orderFile;
  if (!isBusy) return null;
  return (
    <div role="status" className="flex flex-wrap items-center gap-2">
      <progress
        aria-label={say("layout.layingOut")}
        value={progress?.done ?? 0}
        max={progress?.total ?? 1}
        className="accent-pine h-2 w-24"
      />
      <span className="text-ink2 font-mono text-sm">
        {progress
          ? say(`layout.progress.${progress.phase}`, {
              done: progress.done,
              total: progress.total,
              rate: Math.round(progress.perSecond),
            })
          : say("layout.looking")}
      </span>
      <Button small onClick={cancel}>
        {say("common.cancel")}
      </Button>
    </div>
  );
}
