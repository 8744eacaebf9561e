"use client";

import { say } from "@/core/language/say";
import type { ProfileFacts } from "@/core/model/profile";
import { usualPurposes } from "@/core/model/profile";
import { Choice } from "../kit/choice";
import { Field, inputLook } from "../kit/field";
import { HueChoice } from "../kit/hue-choice";
import { isUsual, purposeWords } from "./purpose";

interface Props {
  facts: ProfileFacts;
  onChange: (facts: ProfileFacts) => void;
}

/** What a profile is called, what for, its colour and a note on it. */
export function FactsFields({ facts, onChange }: Props) {
  const change = (part: Partial<ProfileFacts>) => onChange({ ...facts, ...part });
  return (
    <>
      <Field
        label={say("common.name")}
        value={facts.name}
        onChange={(event) => change({ name: event.target.value })}
        maxLength={80}
        autoFocus
      />
      <Purpose value={facts.purpose} onChange={(purpose) => change({ purpose })} />
      <HueChoice
        value={facts.hue ?? null}
        orNone
        onChoose={(hue) => {
          const { hue: _, ...rest } = facts;
          onChange(hue === null ? rest : { ...rest, hue });
        }}
      />
      <label className="block">
        <span className="text-ink2 mb-1 block text-sm font-semibold">{say("common.note")}</span>
        <textarea
          value={facts.note ?? ""}
          onChange={(event) => change({ note: event.target.value })}
          maxLength={5000}
          rows={3}
          className={`${inputLook} !h-auto py-1.5`}
        />
      </label>
    </>
  );
}

function Purpose({ value, onChange }: { value: string; onChange: (purpose: string) => void }) {
  const own = !isUsual(value);
  return (
    <fieldset className="flex flex-wrap items-center gap-x-4 gap-y-1">
      <legend className="text-ink2 mb-1 text-sm font-semibold">{say("profiles.purpose")}</legend>
      {usualPurposes.map((purpose) => (
        <Choice key={purpose} name="purpose" checked={value === purpose} onChoose={() => onChange(purpose)}>
          {purposeWords(purpose)}
        </Choice>
      ))}
      <Choice name="purpose" checked={own} onChoose={() => onChange(say("profiles.for"))}>
        {say("profiles.ownWords")}
      </Choice>
      {own && (
        <input
          aria-label={say("profiles.purposeInYourOwnWords")}
          value={value}
          onChange={(event) => onChange(event.target.value)}
          maxLength={60}
          className={`${inputLook} max-w-56`}
        />
      )}
    </fieldset>
  );
}
