"use client";

import { say } from "@/core/language/say";
import { useEffect, useState } from "react";
import { plainText } from "@/core/messages/parts";
import { sayRefusal } from "@/core/messages/refusals";
import { Button } from "../kit/button";
import { listKeptData, replaceData } from "../workspace/server";
import { timeOfKept } from "../kit/moment";

/** Where no game is registered any more, the way back to what was kept before that. */
export function KeptBefore({ onBack }: { onBack: () => void }) {
  const [kept, setKept] = useState<readonly string[]>([]);
  const [busy, setBusy] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  useEffect(() => void listKeptData().then((outcome) => outcome.ok && setKept(outcome.value)), []);
  if (kept.length === 0) return null;
  const bringBack = async (name: string) => {
    setBusy(true);
    const outcome = await replaceData({ kept: name });
    setBusy(false);
    if (outcome.ok) onBack();
    else setWrong(plainText(sayRefusal(outcome.refusal)));
  };
  return (
    <section aria-labelledby="kept-before" className="space-y-1">
      <h2 id="kept-before" className="font-bold">
        {say("start.whatWasHereBefore")}
      </h2>
      <ul>
        {kept.slice(0, 8).map((name) => (
          <li key={name} className="flex items-center gap-2 py-0.5">
            <span>{say("common.until", { timeOfKept: timeOfKept(name) })}</span>
            <Button small disabled={busy} onClick={() => void bringBack(name)}>
              {say("common.restore")}
            </Button>
          </li>
        ))}
      </ul>
      <p role="alert" className="text-brick empty:hidden">
        {wrong}
      </p>
    </section>
  );
}
