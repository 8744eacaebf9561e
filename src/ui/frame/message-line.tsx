"use client";

import { say } from "@/core/language/say";
import { X } from "lucide-react";
import { useEffect, useState } from "react";
import { Button } from "../kit/button";
import { useKept } from "../kit/kept";
import { LevelMark } from "../kit/level";
import { messagesSaid, messageTime } from "../workspace/message-choices";
import type { Message } from "../workspace/messages";
import { useMessages, useWorkspace } from "../workspace/workspace.client";

/** As many at once; the log has the rest. */
const most = 3;

/** Milliseconds for which something is said: longer where there is something to do about it. */
const duration = ({ tone, act }: Message): number => (act ? 15_000 : tone === "wrong" ? 12_000 : 5_000);
const times = { usual: 1, long: 3 };

/** What is said at present. It has a place of its own above the strip, over nothing that it might speak of. */
export function MessageLine() {
  const { messages } = useWorkspace();
  const { said } = useMessages((state) => state);
  const [isHeld, hold] = useState(false);
  const [wanted] = useKept(messagesSaid);
  const isShown = ({ tone, act }: Message) => wanted === "all" || tone === "wrong" || act !== null;
  const shown = said.filter(isShown);
  useEffect(() => {
    for (const message of said) if (!shown.includes(message)) messages.hush(message.id);
  });
  return (
    <div
      role="log"
      aria-label={say("common.messages")}
      aria-live="polite"
      onMouseEnter={() => hold(true)}
      onMouseLeave={() => hold(false)}
      onFocus={() => hold(true)}
      onBlur={() => hold(false)}
      // Also beside an open dialog, which lets nothing else be touched.
      className="pointer-events-auto relative z-[60] shrink-0"
      data-beside-dialogs
    >
      {shown.slice(-most).map((message) => (
        <Said key={message.id} message={message} isHeld={isHeld} />
      ))}
    </div>
  );
}

function Said({ message, isHeld }: { message: Message; isHeld: boolean }) {
  const { messages, panel } = useWorkspace();
  const { id, text, tone, act } = message;
  const [time] = useKept(messageTime);
  useEffect(() => {
    if (isHeld || time === "stay") return;
    const timer = setTimeout(() => messages.hush(id), duration(message) * times[time]);
    return () => clearTimeout(timer);
  }, [messages, message, id, isHeld, time]);
  return (
    <div
      data-message
      className={`border-line flex min-h-8 items-center gap-2 border-t px-3 py-0.5 ${tone === "wrong" ? "bg-saffron-soft" : "bg-sunk"}`}
    >
      {tone === "wrong" && <LevelMark level="problem" />}
      <p className="max-h-24 min-w-0 overflow-auto">{text}</p>
      {act && (
        <Button small onClick={() => messages.act(id)}>
          {act.word}
        </Button>
      )}
      <Button small look="quiet" className="ml-auto" onClick={() => panel.show("messages")}>
        {say("frame.allMessages")}
      </Button>
      <Button
        small
        look="quiet"
        aria-label={say("frame.closeTheMessage")}
        className="w-6 !px-0"
        onClick={() => messages.hush(id)}
      >
        <X size={14} aria-hidden />
      </Button>
    </div>
  );
}
