"use client";

import { say } from "@/core/language/say";
import { KeptChoice } from "./kept-choice";
import { arrivalWay, arrivalWays, binQuestion } from "../workspace/arrival-choices";
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
      <KeptChoice
        title={say("game.modsThatYouAdd")}
        kept={arrivalWay}
        choices={arrivalWays.map((way) => [way, say(`incoming.way.${way}`)])}
      />
      <KeptChoice
        title={say("game.beforeModsMoveToTheBin")}
        kept={binQuestion}
        choices={[
          ["always", say("game.askAlways")],
          ["used", say("game.askWhereAProfileLosesSome")],
        ]}
      />
      <p className="text-ink2">{say("game.theyHoldInThisBrowserWhat")}</p>
    </div>
  );
}
