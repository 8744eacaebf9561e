"use client";

import { say } from "@/core/language/say";
import { KeptChoice } from "./kept-choice";
import { afterSwitch, trialStart } from "../workspace/launch-choices";

/** What Seating does by itself, in this browser. */
export function ApplicationSettings() {
  return (
    <div className="max-w-2xl space-y-6">
      <KeptChoice
        title={say("game.aTrialWhereTheGameWould")}
        kept={trialStart}
        choices={[
          ["ask", say("game.asksWhatToStartWith")],
          ["write", say("game.writesThisProfileSOrderAnd")],
          ["as-written", say("game.startsWithWhatIsWritten")],
        ]}
      />
      <KeptChoice
        title={say("game.afterTheProfileIsSwitched")}
        kept={afterSwitch}
        choices={[
          ["offer", say("game.offerToWriteItsOrderFor")],
          ["write", say("game.alwaysWriteItsOrderForThe")],
          ["leave", say("game.leaveWhatTheGameReads")],
        ]}
      />
      <p className="text-ink2">{say("game.theyHoldInThisBrowserWhat")}</p>
    </div>
  );
}
