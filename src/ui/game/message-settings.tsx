"use client";

import { plural } from "@/core/messages/parts";
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
        title="How long a message is shown"
        kept={messageTime}
        choices={[
          ["usual", "5 seconds; 12 where something went wrong, 15 where something can be done about it"],
          ["long", "three times as long"],
          ["stay", "until you close it"],
        ]}
      />
      <KeptChoice
        title="Which messages are shown"
        kept={messagesSaid}
        choices={[
          ["all", "all of them"],
          ["wrong", "only where something went wrong, or can be done about it"],
        ]}
      />
      <section aria-labelledby="message-log" className="space-y-2">
        <h2 id="message-log" className="text-lg font-bold">
          The log
        </h2>
        <p className="text-ink2">
          This window keeps all messages, shown or not, over a reload: {plural(length, "message")} now, at
          most {mostKept}.
        </p>
        <Button disabled={length === 0} onClick={() => messages.empty()}>
          Clear log
        </Button>
      </section>
    </div>
  );
}
