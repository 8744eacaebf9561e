import { say } from "@/core/language/say";
import { orderFileGap } from "@/core/check/order-file";
import { second } from "../kit/moment";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** While the game runs: since when, and what waits for its end. */
export function RunningMark() {
  const { trial, panel } = useWorkspace();
  const isWaiting = useEditor(({ roster, onDisk }) => orderFileGap(roster, onDisk) !== null);
  if (trial.state !== "running" || !trial.trial) return null;
  return (
    <button
      type="button"
      onClick={() => panel.show("trial")}
      className="hover:bg-sunk text-pine h-6 rounded px-1 font-semibold"
    >
      {say("trial.runsSince", { at: second(trial.trial.began) })}
      {isWaiting && <span className="text-ink2 font-normal"> {say("trial.waits")}</span>}
    </button>
  );
}
