"use client";

import { say } from "@/core/language/say";
import { useEffect, useMemo, useState } from "react";
import { SelectField } from "../kit/select";
import { blankDefinition } from "@/core/game/definition-flaws";
import type { GameDefinition } from "@/core/model/game";
import { DefinitionEditor } from "../game/definition-editor";
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
      <div className="pb-2">
        <SelectField
          label={say("common.startFrom")}
          beside
          value={from}
          options={[
            { value: "", words: say("start.anEmptyDefinition") },
            ...shipped.map(({ id, name }) => ({ value: id, words: say("start.theDefinitionOf", { name }) })),
          ]}
          onChoose={setFrom}
          className="w-72 max-w-full"
        />
      </div>
      <DefinitionEditor
        key={from}
        draftKey={draftKey}
        start={start}
        word={say("start.goOnToItsFolders")}
        onStore={(definition) => {
          onDescribed({ definition, draftKey });
          // It is not stored before its folders are named.
          return Promise.resolve(false);
        }}
      />
    </div>
  );
}
