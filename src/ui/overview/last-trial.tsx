"use client";

import { say } from "@/core/language/say";
import { factsOfRoster, fingerprintOf } from "@/core/lineup/fingerprint";
import { wentWell } from "@/core/model/trial";
import { useNoted } from "../health/use-noted";
import { moment } from "../kit/moment";
import { useEditor } from "../workspace/workspace.client";

/** How the last trial of the profile ended, and whether it was of the set as it is now. */
export function LastTrial() {
  const trial = useNoted()?.trial;
  const present = useEditor(({ roster }) => fingerprintOf(factsOfRoster(roster)));
  if (!trial) return <p className="text-ink2">{say("overview.noTrialYet")}</p>;
  const went = wentWell(trial);
  const last = trial.log.findLast((line) => line.startsWith("stopped:"));
  return (
    <div className="space-y-1">
      <p>
        <b className={went === false ? "text-brick" : went ? "text-pine" : "text-ink2"}>
          {trial.verdict
            ? say(`trial.verdict.${trial.verdict}`)
            : say("overview.trialEnded", { ran: String(went ?? "unknown") })}
        </b>
        <span className="text-ink2">, {moment(trial.began)}</span>
      </p>
      {trial.note !== "" && <p>{trial.note}</p>}
      {last && <p className="text-ink2 font-mono text-sm break-words">{last}</p>}
      <p className="text-ink2">
        {say("overview.trialWasOf", { same: String(trial.fingerprint === present) })}
      </p>
    </div>
  );
}
