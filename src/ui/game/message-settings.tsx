"use client";

import { say } from "@/core/language/say";
import { Button } from "../kit/button";
import { messagesSaid, messageTime } from "../workspace/message-choices";
import { mostKept } from "../workspace/messages";
import { useMessages, useWorkspace } from "../workspace/workspace.client";
import { KeptChoice } from "./kept-choice";

/** What is told in this browser and for how long, and the log of what was told. */
export function MessageSettings() {
  const { messages } = useWorkspace();
  const { length } = useMessages(({ all }) => all);
  return (
    <div className="max-w-2xl space-y-6">
      <KeptChoice
        title={say("game.howLongAMessageIsShown")}
        kept={messageTime}
        choices={[
          ["usual", say("game.5Seconds12WhereSomethingWent")],
          ["long", say("game.threeTimesAsLong")],
          ["stay", say("game.untilYouCloseIt")],
        ]}
      />
      <KeptChoice
        title={say("game.whichMessagesAreShown")}
        kept={messagesSaid}
        choices={[
          ["all", say("common.allOfThem")],
          ["wrong", say("game.onlyWhereSomethingWentWrongOr")],
        ]}
      />
      <section aria-labelledby="message-log" className="space-y-2">
        <h2 id="message-log" className="text-lg font-bold">
          {say("game.theLog")}
        </h2>
        <p className="text-ink2">{say("game.thisWindowKeepsAllMessagesShown", { length, mostKept })}</p>
        <Button disabled={length === 0} onClick={() => messages.empty()}>
          {say("game.clearLog")}
        </Button>
      </section>
    </div>
  );
}
