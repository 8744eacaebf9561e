"use client";

import { KeptChoice } from "./kept-choice";
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
