import { say } from "@/core/language/say";
import type { Trial } from "@/core/model/trial";
import { LevelMark } from "../kit/level";
import type { TrialState } from "../workspace/use-trial";

/** Milliseconds within which a program that ends with a fault did not come past its start. */
const start = 60_000;

/** What a start came to, in a word or two. */
function endOf({ began, ended, code }: Trial): string {
  if (code === 0) return say("trial.ran");
  if (code === null) return say("trial.unseenEnd");
  const took = Date.parse(ended ?? began) - Date.parse(began);
  return took < start ? say("frame.stoppedAtStart") : say("trial.endedWith", { code });
}

/** How far the start is that is shown. */
export function TrialWord({ state, trial }: Pick<TrialState, "state" | "trial">) {
  if (state === null) return null;
  const isFaulty = state === "ended" && trial !== null && trial.code !== 0;
  const isWaiting = state === "asked" || state === "confirm" || state === "conditions";
  const words = {
    asked: say("frame.notStartedYet"),
    confirm: say("frame.notStartedYet"),
    conditions: say("frame.notStartedYet"),
    "under way": say("frame.starting"),
    running: say("frame.running"),
    ended: trial ? endOf(trial) : "",
  };
  return (
    <span
      role="status"
      className={`flex items-center gap-1.5 font-semibold ${isFaulty ? "text-brick" : isWaiting ? "text-ink2" : "text-pine"}`}
    >
      {isFaulty && <LevelMark level="blocker" />}
      {words[state]}
    </span>
  );
}
