"use client";

import { useEffect, useMemo, useState } from "react";
import { blankDefinition } from "@/core/game/definition-flaws";
import type { GameDefinition } from "@/core/model/game";
import { DefinitionEditor } from "../game/definition-editor";
import { inputLook } from "../kit/field";
import { listShipped } from "../workspace/server";

export interface DescribedGame {
  readonly definition: GameDefinition;
  /** Under which what was typed is kept until the game is added. */
  readonly draftKey: string;
}

/** Describing a game of one's own, from one that ships or from nothing. */
export function OwnGame({ onDescribed }: { onDescribed: (described: DescribedGame) => void }) {
  const [shipped, setShipped] = useState<readonly GameDefinition[]>([]);
  const [from, setFrom] = useState("");
  useEffect(() => {
    void listShipped().then((outcome) => outcome.ok && setShipped(outcome.value));
  }, []);
  const draftKey = `definition-own-${from}`;
  const model = shipped.find(({ id }) => id === from);
  const start = useMemo(() => (model ? { ...model, id: "", name: "" } : blankDefinition), [model]);
  return (
    <div>
      <label className="flex items-center gap-2 pb-2">
        <span className="text-ink2 shrink-0 text-sm font-semibold">Begins</span>
        <select
          value={from}
          onChange={(event) => setFrom(event.target.value)}
          className={`${inputLook} max-w-72`}
        >
          <option value="">from nothing</option>
          {shipped.map(({ id, name }) => (
            <option key={id} value={id}>
              with the laws of {name}
            </option>
          ))}
        </select>
      </label>
      <DefinitionEditor
        key={from}
        draftKey={draftKey}
        start={start}
        word="Go on to its folders"
        onStore={(definition) => {
          onDescribed({ definition, draftKey });
          // It is not stored before its folders are named.
          return Promise.resolve(false);
        }}
      />
    </div>
  );
}
