"use client";

import { Choice } from "../kit/choice";
import { useKept, type Kept } from "../kit/kept";
import { afterSwitch, trialStart } from "../workspace/launch-choices";

/** What Seating does by itself, in this browser. */
export function ApplicationSettings() {
  return (
    <div className="max-w-2xl space-y-6">
      <KeptChoice
        title="A trial, where the game would read another order"
        kept={trialStart}
        choices={[
          ["ask", "asks what to start with"],
          ["write", "writes this profile’s order and starts"],
          ["as-written", "starts with what is written"],
        ]}
      />
      <KeptChoice
        title="After the profile is switched"
        kept={afterSwitch}
        choices={[
          ["offer", "offer to write its order for the game"],
          ["write", "always write its order for the game"],
          ["leave", "leave what the game reads"],
        ]}
      />
      <p className="text-ink2">
        They hold in this browser. What another program has written is never written over unasked.
      </p>
    </div>
  );
}

function KeptChoice<T extends string>({
  title,
  kept,
  choices,
}: {
  title: string;
  kept: Kept<T>;
  choices: readonly (readonly [T, string])[];
}) {
  const [chosen, choose] = useKept(kept);
  return (
    <fieldset className="space-y-1">
      <legend className="mb-1 text-lg font-bold">{title}</legend>
      {choices.map(([value, words]) => (
        <Choice key={value} name={title} checked={chosen === value} onChoose={() => choose(value)}>
          {words}
        </Choice>
      ))}
    </fieldset>
  );
}
