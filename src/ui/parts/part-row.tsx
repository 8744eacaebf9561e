"use client";

import { say } from "@/core/language/say";
import { useState } from "react";
import { unmetWords } from "@/core/messages/parts-of-mods";
import type { PartState } from "@/core/edit/choices";
import { Button } from "../kit/button";
import { inputLook } from "../kit/field";
import { LevelMark } from "../kit/level";
import { useEditor } from "../workspace/workspace.client";

/** A part to take or to leave: what its author says of it, what stands against it, and one's own reason. */
export function PartRow({
  state: { key, part, question, chosen, unmet },
  one,
  takenBefore,
  plugins,
  reason,
  onTake,
  onReason,
}: {
  state: PartState;
  /** Its question has one answer. */
  one: boolean;
  takenBefore: boolean;
  /** Names of the plugins that it brings. */
  plugins: readonly string[];
  reason: string;
  onTake: (taken: boolean) => void;
  onReason: (words: string) => void;
}) {
  const roster = useEditor((state) => state.roster);
  const [writing, setWriting] = useState(false);
  const says = [part.note, plugins.length > 0 && say("parts.adds", { plugins: plugins.join(", ") })]
    .filter(Boolean)
    .join(" · ");
  return (
    <li className="border-line border-t py-1.5">
      <div className="flex items-start gap-2">
        <label className="flex min-h-6 min-w-0 grow items-start gap-2">
          <input
            type={one ? "radio" : "checkbox"}
            name={one ? `question ${question}` : key}
            checked={chosen}
            disabled={unmet !== null && !chosen}
            onChange={(event) => onTake(event.target.checked)}
            className="accent-pine mt-1"
          />
          <span className="min-w-0">
            <span className={`font-semibold ${unmet ? "text-ink2" : ""}`}>{part.label}</span>
            {takenBefore && <span className="text-ink2 ml-2 text-sm">{say("parts.takenSoFar")}</span>}
            {says && <span className="text-ink2 block break-words">{says}</span>}
          </span>
        </label>
        {!writing && reason === "" && (
          <Button
            small
            look="quiet"
            onClick={() => setWriting(true)}
            aria-label={say("parts.whyFor", { label: part.label })}
          >
            {say("parts.why")}
          </Button>
        )}
      </div>
      {unmet && (
        <p className="text-ink2 ml-5.5 flex items-center gap-1.5 text-sm">
          <LevelMark level="hint" label={say("parts.notOnOffer")} /> {unmetWords(roster, unmet)}
        </p>
      )}
      {part.caution && (
        <p className="ml-5.5 flex items-center gap-1.5 text-sm">
          <LevelMark level="problem" label={say("parts.notRecommended")} /> {part.caution}
        </p>
      )}
      {(writing || reason !== "") && (
        <input
          value={reason}
          autoFocus={writing}
          onChange={(event) => onReason(event.target.value)}
          onBlur={() => setWriting(false)}
          maxLength={500}
          aria-label={say("parts.whyIsTakenOrLeft", { label: part.label })}
          placeholder={say("parts.whyItIsTakenOrLeft")}
          className={`${inputLook} mt-1 ml-5.5 !h-7 max-w-[calc(100%-22px)]`}
        />
      )}
    </li>
  );
}
