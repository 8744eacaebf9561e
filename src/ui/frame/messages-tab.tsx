import { second } from "../kit/moment";
import { say } from "@/core/language/say";
import { useEffect } from "react";
import { Button } from "../kit/button";
import { LevelMark } from "../kit/level";
import { useMessages, useWorkspace } from "../workspace/workspace.client";

/** Everything that was told in this window, the newest first, with what can still be done about it. */
export function MessagesTab() {
  const { messages } = useWorkspace();
  const { all, unread } = useMessages((state) => state);
  useEffect(() => {
    if (unread > 0) messages.look();
  }, [messages, unread]);
  if (all.length === 0)
    return <p className="text-ink2 px-3 py-3">{say("frame.whatSeatingTellsYouIsKept")}</p>;
  return (
    <ol aria-label={say("frame.messageLog")} tabIndex={0} className="min-h-0 grow overflow-auto px-3 py-1.5">
      {all.map(({ id, at, text, tone, act }) => (
        <li key={id} className="flex min-h-7 items-baseline gap-3">
          <time dateTime={new Date(at).toISOString()} className="text-ink3 shrink-0 font-mono text-sm">
            {second(at)}
          </time>
          <span className="w-4 shrink-0 self-center">
            {tone === "wrong" && <LevelMark level="problem" />}
          </span>
          <span className="min-w-0">{text}</span>
          {act && (
            <Button small className="self-center" onClick={() => messages.act(id)}>
              {act.word}
            </Button>
          )}
        </li>
      ))}
    </ol>
  );
}
