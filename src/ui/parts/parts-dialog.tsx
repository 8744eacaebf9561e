"use client";

import { say } from "@/core/language/say";
import { useState, type FormEvent } from "react";
import type { Choice } from "@/core/model/profile";
import type { ModOption } from "@/core/model/shelf";
import { chooseEdit, partStates, withPart, type PartState } from "@/core/edit/choices";
import { chosenParts } from "@/core/roster/parts";
import type { SeatedMod } from "@/core/roster/roster";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { inputLook } from "../kit/field";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { PartRow } from "./part-row";

/** With more than so many components one wants to search them. */
const manyComponents = 10;

/** What to take of a package: its questions, and the components that are switched by themselves. */
export function PartsDialog({ item, onClose }: { item: SeatedMod | null; onClose: () => void }) {
  return (
    <Dialog
      open={item !== null}
      onClose={onClose}
      title={say("parts.partsOf", { name: item?.mod?.name ?? "" })}
      hint={say("parts.whatIsTakenHoldsForThis")}
      size="medium"
      guide={{ page: "extend-a-list" }}
    >
      {item && <PartsForm key={item.id} item={item} onClose={onClose} />}
    </Dialog>
  );
}

function PartsForm({ item, onClose }: { item: SeatedMod; onClose: () => void }) {
  const { editor, tell } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const [choice, setChoice] = useState<Choice>(item.choice);
  const states = partStates(roster, item, choice);
  const options = item.mod?.manifest?.options ?? [];
  const before = chosenParts(item.choice);
  const refused = states.filter(({ chosen, unmet }) => chosen && unmet);
  const store = (event: FormEvent) => {
    event.preventDefault();
    const edit = chooseEdit(roster, item, choice);
    if (edit && editor.dispatch(edit).ok)
      tell([say("parts.partsTaken", { name: item.mod!.name, count: chosenParts(choice).size })]);
    onClose();
  };
  const row = (state: PartState, one: boolean) => (
    <PartRow
      key={state.key}
      state={state}
      one={one}
      takenBefore={before.has(state.key)}
      plugins={(item.mod?.plugins ?? []).filter(({ part }) => part === state.key).map(({ name }) => name)}
      reason={choice.reasons?.[state.key] ?? ""}
      onTake={(taken) => setChoice(withPart(choice, state, taken, one))}
      onReason={(words) => setChoice(withReason(choice, state.key, words))}
    />
  );
  return (
    <form onSubmit={store} className="space-y-4">
      {options.map((option) => (
        <Question
          key={option.id}
          option={option}
          onNone={() => setChoice(withoutAnswer(choice, option.id))}
          answered={option.id in choice.options}
        >
          {states
            .filter(({ question }) => question === option.id)
            .map((state) => row(state, option.choose === "one"))}
        </Question>
      ))}
      <Components
        states={states.filter(({ question }) => question === null)}
        row={(state) => row(state, false)}
        onTake={(these, taken) =>
          setChoice(these.reduce((now, state) => withPart(now, state, taken, false), choice))
        }
      />
      {refused.length > 0 && (
        <p role="alert" className="text-brick">
          {say("parts.chosenPartsCannotWorkHereLeave", { count: refused.length })}
          {say("parts.themOrSwitchOnWhat", { count: refused.length })}
          {say("parts.theyNeedFirst", { count: refused.length })}
        </p>
      )}
      <div className="bg-surface border-line sticky -bottom-4 -mx-4 -mb-4 flex justify-end gap-2 border-t px-4 py-3">
        <Button look="quiet" onClick={onClose}>
          {say("common.cancel")}
        </Button>
        <Button look="main" type="submit" disabled={refused.length > 0}>
          {say("parts.takeParts", { count: chosenParts(choice).size })}
        </Button>
      </div>
    </form>
  );
}

function withReason(choice: Choice, key: string, words: string): Choice {
  const { reasons = {}, ...rest } = choice;
  const { [key]: _, ...others } = reasons;
  const next = words === "" ? others : { ...others, [key]: words };
  return Object.keys(next).length > 0 ? { ...rest, reasons: next } : rest;
}

function withoutAnswer(choice: Choice, question: string): Choice {
  const { [question]: _, ...options } = choice.options;
  return { ...choice, options };
}

function Question({
  option,
  answered,
  onNone,
  children,
}: {
  option: ModOption;
  answered: boolean;
  onNone: () => void;
  children: React.ReactNode;
}) {
  return (
    <fieldset>
      <legend className="mb-1 flex w-full items-baseline gap-2 font-bold">
        {option.label}
        <span className="text-ink2 text-sm font-normal">
          {option.choose === "one" ? say("parts.oneOfThemOrNone") : say("common.anyOfThem")}
        </span>
        <Button small look="quiet" className="ml-auto" disabled={!answered} onClick={onNone}>
          {say("parts.none")}
        </Button>
      </legend>
      <ul>{children}</ul>
    </fieldset>
  );
}

function Components({
  states,
  row,
  onTake,
}: {
  states: readonly PartState[];
  row: (state: PartState) => React.ReactNode;
  onTake: (states: readonly PartState[], taken: boolean) => void;
}) {
  const [text, setText] = useState("");
  if (states.length === 0) return null;
  const wanted = text.trim().toLowerCase();
  const shown = states.filter(({ part }) => part.label.toLowerCase().includes(wanted));
  return (
    <fieldset>
      <legend className="mb-1 flex w-full items-baseline gap-2 font-bold">
        {say("parts.components")}
        <span className="text-ink2 font-mono text-sm font-normal">
          {say("parts.ofOn", { count: states.filter(({ chosen }) => chosen).length, count2: states.length })}
        </span>
        {states.length > 1 &&
          [true, false].map((taken) => (
            <Button
              key={String(taken)}
              small
              look="quiet"
              aria-label={say("parts.ofTheComponents", { taken: String(taken), some: String(wanted !== "") })}
              onClick={() =>
                onTake(
                  shown.filter(({ unmet, chosen }) => chosen !== taken && !(taken && unmet)),
                  taken,
                )
              }
            >
              {taken ? say("parts.all") : say("parts.none")}
            </Button>
          ))}
        {states.length > manyComponents && (
          <input
            type="search"
            value={text}
            onChange={(event) => setText(event.target.value)}
            placeholder={say("parts.findAComponent")}
            aria-label={say("parts.findAComponent2")}
            className={`${inputLook} ml-auto max-w-52 font-normal`}
          />
        )}
      </legend>
      <ul>{shown.map(row)}</ul>
      {shown.length === 0 && <p className="text-ink2">{say("parts.noComponentIsCalledLikeThat")}</p>}
    </fieldset>
  );
}
