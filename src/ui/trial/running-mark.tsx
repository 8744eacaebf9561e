import { say } from "@/core/language/say";
import { orderFileGap } from "@/core/check/order-file";
import { second } from "../kit/moment";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** While the game runs: since when, and what waits for its end. */
export function RunningMark() {
  const { trial, panel } = useWorkspace();
  const waiting = useEditor(({ roster, onDisk }) => {
    const gap = orderFileGap(roster, onDisk);
    // What differs in the mods, in lines of settings or on the disk follows from one change at least.
    return gap ? Math.max(1, gap.moves + gap.added + gap.removed) : 0;
  });
  if (trial.state !== "running" || !trial.trial) return null;
  return (
    <button
      type="button"
      onClick={() => panel.show("trial")}
      className="hover:bg-sunk text-pine h-6 rounded px-1 font-semibold"
    >
      {say("trial.runsSince", { at: second(trial.trial.began) })}
      {waiting > 0 && (
        <span className="text-ink2 font-normal"> {say("trial.waits", { count: waiting })}</span>
      )}
    </button>
  );
}
