"use client";

import { useState, type FormEvent } from "react";
import { plural } from "@/core/messages/parts";
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
      title={`Parts of ${item?.mod?.name ?? ""}`}
      hint="What is taken holds for this profile alone, and can be changed at any time."
      size="medium"
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
      tell([`${item.mod!.name}: ${plural(chosenParts(choice).size, "part")} taken.`]);
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
          {plural(refused.length, "chosen part")} cannot work here; leave{" "}
          {refused.length === 1 ? "it" : "them"} or switch on what{" "}
          {refused.length === 1 ? "it needs" : "they need"} first.
        </p>
      )}
      <div className="bg-surface border-line sticky -bottom-4 -mx-4 -mb-4 flex justify-end gap-2 border-t px-4 py-3">
        <Button look="quiet" onClick={onClose}>
          Cancel
        </Button>
        <Button look="main" type="submit" disabled={refused.length > 0}>
          Take {plural(chosenParts(choice).size, "part")}
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
          {option.choose === "one" ? "one of them, or none" : "any of them"}
        </span>
        <Button small look="quiet" className="ml-auto" disabled={!answered} onClick={onNone}>
          None
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
        Components
        <span className="text-ink2 font-mono text-sm font-normal">
          {states.filter(({ chosen }) => chosen).length} of {states.length} on
        </span>
        {states.length > 1 &&
          [true, false].map((taken) => (
            <Button
              key={String(taken)}
              small
              look="quiet"
              aria-label={`${taken ? "All" : "None"} of the components${wanted === "" ? "" : " that are shown"}`}
              onClick={() =>
                onTake(
                  shown.filter(({ unmet, chosen }) => chosen !== taken && !(taken && unmet)),
                  taken,
                )
              }
            >
              {taken ? "All" : "None"}
            </Button>
          ))}
        {states.length > manyComponents && (
          <input
            type="search"
            value={text}
            onChange={(event) => setText(event.target.value)}
            placeholder="Find a component…"
            aria-label="Find a component"
            className={`${inputLook} ml-auto max-w-52 font-normal`}
          />
        )}
      </legend>
      <ul>{shown.map(row)}</ul>
      {shown.length === 0 && <p className="text-ink2">No component is called like that.</p>}
    </fieldset>
  );
}
