"use client";

import { midSentence } from "@/core/language/mid-sentence";
import { say } from "@/core/language/say";
import { rich } from "../kit/rich";
import { Button } from "../kit/button";
import { useBlendDue } from "../blend/blend-standing";
import { useKept } from "../kit/kept";
import { useStanding } from "../order-file/standing";
import { trialStart } from "../workspace/launch-choices";
import { useWorkspace } from "../workspace/workspace.client";

/** Which order the game is to start with, where it would read another one than the profile's. */
export function TrialQuestion({ onAnswer }: { onAnswer: () => void }) {
  const { trial } = useWorkspace();
  const { standing, words } = useStanding();
  const isDue = useBlendDue();
  const [, remember] = useKept(trialStart);
  const answers = [
    {
      answer: "write",
      words:
        standing === "theirs"
          ? say("frame.compareOrdersFirst")
          : say(isDue ? "frame.rebuildWriteAndStart" : "frame.writeThisProfileSOrderAnd"),
    },
    { answer: "as-written", words: say("frame.startWithWhatIsWritten") },
  ] as const;
  const start = (answer: (typeof answers)[number]["answer"]) => {
    // The answer that has the focus goes.
    onAnswer();
    void trial.start(answer);
  };
  return (
    <div
      role="group"
      aria-label={say("frame.whatTheGameStartsWith")}
      className="bg-saffron-soft space-y-2 px-3 py-2.5"
    >
      <p>
        {rich("frame.whatShallItStartWith", {
          name: (
            <b>
              {isDue && say("blend.standing.due")} {standing !== "current" && `${words}.`}
            </b>
          ),
        })}
      </p>
      <div className="flex flex-wrap items-center gap-2">
        {answers.map(({ answer, words: title }, at) => (
          <Button
            key={answer}
            look={at === 0 ? "main" : "plain"}
            autoFocus={at === 0}
            onClick={() => start(answer)}
          >
            {title}
          </Button>
        ))}
        {standing !== "theirs" &&
          answers.map(({ answer, words: title }) => (
            <Button
              key={answer}
              small
              look="quiet"
              onClick={() => {
                remember(answer);
                start(answer);
              }}
            >
              {say("frame.always", { title: midSentence(title) })}
            </Button>
          ))}
      </div>
    </div>
  );
}
