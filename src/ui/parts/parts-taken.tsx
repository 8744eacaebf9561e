"use client";

import { say } from "@/core/language/say";
import { useState } from "react";
import { openQuestions, partStates } from "@/core/edit/choices";
import { hasParts } from "@/core/roster/parts";
import type { SeatedMod } from "@/core/roster/roster";
import { Button } from "../kit/button";
import { Part } from "../kit/part";
import { useEditor } from "../workspace/workspace.client";
import { PartsDialog } from "./parts-dialog";

const mostNamed = 8;

/** What a profile takes of a package, and the way to choose anew. */
export function PartsTaken({ item }: { item: SeatedMod }) {
  const roster = useEditor((state) => state.roster);
  const [choosing, setChoosing] = useState(false);
  if (!hasParts(item.mod?.manifest ?? null)) return null;
  const states = partStates(roster, item);
  const taken = states.filter(({ chosen }) => chosen);
  const open = openQuestions(item);
  return (
    <Part title={say("parts.partsOfTaken", { count: taken.length, count2: states.length })}>
      <ul>
        {taken.slice(0, mostNamed).map(({ key, part }) => (
          <li key={key}>
            {part.label}
            {item.choice.reasons?.[key] && <span className="text-ink2"> · {item.choice.reasons[key]}</span>}
          </li>
        ))}
        {taken.length > mostNamed && (
          <li className="text-ink3">{say("common.andMore", { count: taken.length - mostNamed })}</li>
        )}
      </ul>
      {open.length > 0 && <p className="text-ink2">{say("parts.notAnswered", { open: open.join(", ") })}</p>}
      <Button small className="mt-1" onClick={() => setChoosing(true)}>
        {say("parts.chooseItsParts")}
      </Button>
      <PartsDialog item={choosing ? item : null} onClose={() => setChoosing(false)} />
    </Part>
  );
}
