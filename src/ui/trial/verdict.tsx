import { useState } from "react";
import { say } from "@/core/language/say";
import type { Verdict } from "@/core/model/trial";
import { Button } from "../kit/button";
import { inputLook, Labelled } from "../kit/field";
import { useWorkspace } from "../workspace/workspace.client";

const verdicts: readonly Verdict[] = ["well", "faulty", "unsure"];

/** One question once the game has ended: how it was. */
export function VerdictQuestion() {
  const { trial } = useWorkspace();
  const [note, setNote] = useState("");
  const { verdict } = trial.trial!;
  return (
    <div
      role="group"
      aria-label={say("trial.howWasIt")}
      className="flex flex-wrap items-center gap-x-3 gap-y-1 px-3 py-1.5"
    >
      <span className="font-semibold">{say("trial.howWasIt")}</span>
      {verdicts.map((each) => (
        <Button
          key={each}
          small
          look={verdict === each ? "main" : "plain"}
          aria-pressed={verdict === each}
          onClick={() => void trial.judge(each, note)}
        >
          {say(`trial.verdict.${each}`)}
        </Button>
      ))}
      <Labelled beside label={say("common.note")}>
        {({ id }) => (
          <input
            id={id}
            value={note}
            maxLength={2000}
            onChange={({ target }) => setNote(target.value)}
            onBlur={() => verdict !== null && note !== trial.trial!.note && void trial.judge(verdict, note)}
            className={`${inputLook} !h-6 !w-72`}
          />
        )}
      </Labelled>
    </div>
  );
}
