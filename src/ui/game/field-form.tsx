"use client";

import { say } from "@/core/language/say";
import { rich } from "../kit/rich";
import { ArrowDown, ArrowUp, Plus, X } from "lucide-react";
import { useState, type ReactNode } from "react";
import type { Flaw } from "@/core/game/definition-flaws";
import { Button } from "../kit/button";
import { inputLook, Labelled, type Ties } from "../kit/field";

import { NumberField } from "../kit/number-field";
import { Select } from "../kit/select";
import { withValue, type Draft, type FieldSpec } from "./field-specs";
import { settle } from "./law-fields";

interface FormProps {
  fields: readonly FieldSpec[];
  draft: Draft;
  /** Of the draft within the whole, as `sections.2.`; empty for the whole. */
  path: string;
  flaws: readonly Flaw[];
  onChange: (draft: Draft) => void;
}

/** The fields of a draft; what is wrong with one is said below it. */
export function FieldForm({ fields, draft, path, flaws, onChange }: FormProps) {
  return (
    <div className="flex flex-wrap items-start gap-x-3 gap-y-2">
      {fields
        .filter(({ when }) => when === undefined || when(draft))
        .map((field) => (
          <OneField
            key={`${field.key} ${field.label}`}
            field={field}
            value={draft[field.key]}
            path={path}
            flaws={flaws}
            onValue={(value) => onChange(settle(path, withValue(draft, field.key, value)))}
          />
        ))}
    </div>
  );
}

interface FieldProps {
  field: FieldSpec;
  value: unknown;
  path: string;
  flaws: readonly Flaw[];
  onValue: (value: unknown) => void;
}

function OneField(props: FieldProps) {
  const { field, value, path, flaws, onValue } = props;
  const at = `${path}${field.key}`;
  if (field.kind === "rows") return <Rows {...props} field={field} at={at} />;
  if (field.kind === "group")
    return (
      <Group {...props} title={labelOf(field)} hint={hintOf(field)}>
        {value === undefined && field.start ? (
          <Button small onClick={() => onValue(field.start)}>
            {rich("game.add", { plus: <Plus size={13} aria-hidden /> })}
          </Button>
        ) : (
          <>
            <FieldForm
              fields={field.fields}
              draft={(value ?? {}) as Draft}
              path={`${at}.`}
              flaws={flaws}
              onChange={onValue}
            />
            {field.start && (
              <Button small look="quiet" className="mt-1.5" onClick={() => onValue(undefined)}>
                {rich("game.remove", { x: <X size={13} aria-hidden /> })}
              </Button>
            )}
          </>
        )}
        <Flaws of={at} flaws={flaws} />
      </Group>
    );
  return <Simple {...props} field={field} at={at} />;
}

function Group({ title, hint, children }: { title: string; hint?: string | undefined; children: ReactNode }) {
  return (
    <fieldset className="w-full">
      {title && <legend className="mb-1 font-semibold">{title}</legend>}
      {hint && <p className="text-ink3 mb-1 text-sm">{hint}</p>}
      {children}
    </fieldset>
  );
}

const labelOf = ({ label }: FieldSpec): string => (label === null ? "" : say(label));
const hintOf = ({ hint }: FieldSpec): string | undefined => hint && say(hint);

/** What is wrong at a place or, where nothing below it can show it, beneath it. */
const flawsAt = (of: string, flaws: readonly Flaw[]): string[] =>
  flaws
    .filter(
      ({ path }) => path === of || (path.startsWith(`${of}.`) && /^\d+$/.test(path.slice(of.length + 1))),
    )
    .map(({ text }) => text);

function Flaws({ of, flaws }: { of: string; flaws: readonly Flaw[] }) {
  return flawsAt(of, flaws).map((text) => (
    <p key={text} role="alert" className="text-brick mt-0.5">
      {text}
    </p>
  ));
}

type SimpleSpec = Exclude<FieldSpec, { kind: "group" | "rows" }>;

function Simple({ field, value, at, flaws, onValue }: FieldProps & { field: SimpleSpec; at: string }) {
  const isWide = field.kind === "words" || field.kind === "lines" || (field.kind === "text" && field.wide);
  if (field.kind === "flag")
    return (
      <div className="self-end">
        <label className="flex h-7 items-center gap-1.5">
          <input
            type="checkbox"
            className="accent-pine"
            checked={value === true}
            onChange={(event) => onValue(event.target.checked || (field.optional ? undefined : false))}
          />
          {labelOf(field)}
        </label>
        <Flaws of={at} flaws={flaws} />
      </div>
    );
  return (
    <div className={isWide ? "min-w-52 grow basis-60" : "w-40"}>
      <Labelled label={labelOf(field)} hint={hintOf(field)} error={flawsAt(at, flaws).join(" ")}>
        {(ties) => <Input field={field} ties={ties} value={value} onValue={onValue} />}
      </Labelled>
    </div>
  );
}

function Input({
  field,
  ties,
  value,
  onValue,
}: {
  field: SimpleSpec;
  ties: Ties;
  value: unknown;
  onValue: (value: unknown) => void;
}) {
  const { id, describedBy, isWrong } = ties;
  const said = typeof value === "string" || typeof value === "number" ? String(value) : "";
  const nothing = "optional" in field && field.optional ? undefined : "";
  switch (field.kind) {
    case "number":
      return (
        <NumberField
          label={labelOf(field)}
          id={id}
          describedBy={describedBy}
          value={said === "" ? null : Number(said)}
          isLive
          onStore={(number) => onValue(number ?? nothing)}
          className="w-full"
        />
      );
    case "words":
    case "lines":
      return (
        <Words
          ties={ties}
          isLines={field.kind === "lines"}
          value={value}
          nothing={field.optional ? undefined : []}
          onValue={onValue}
        />
      );
    case "choice":
      return (
        <Select
          id={id}
          describedBy={describedBy}
          value={said}
          options={[
            ...(field.optional || said === ""
              ? [{ value: "", words: field.optional ? say("common.no") : say("common.choose") }]
              : []),
            ...field.choices.map(([each, words]) => ({ value: String(each), words: say(words) })),
          ]}
          onChoose={(chosen) =>
            onValue(field.choices.find(([each]) => String(each) === chosen)?.[0] ?? undefined)
          }
        />
      );
    case "checks": {
      const chosen = Array.isArray(value) ? (value as string[]) : [];
      return (
        <div id={id} role="group" aria-label={labelOf(field)} className="flex h-7 items-center gap-3">
          {field.choices.map(([each, words]) => (
            <label key={each} className="flex items-center gap-1.5">
              <input
                type="checkbox"
                className="accent-pine"
                checked={chosen.includes(each)}
                onChange={({ target }) =>
                  onValue(
                    field.choices
                      .map(([name]) => name)
                      .filter((name) => (name === each ? target.checked : chosen.includes(name))),
                  )
                }
              />
              {say(words)}
            </label>
          ))}
        </div>
      );
    }
    default:
      return (
        <input
          id={id}
          aria-describedby={describedBy}
          aria-invalid={isWrong || undefined}
          value={said}
          spellCheck={false}
          onChange={({ target }) => onValue(target.value || nothing)}
          className={inputLook}
        />
      );
  }
}

/** Keeps what is typed, commas or empty lines at the end too, while the draft holds the words. */
function Words({
  ties: { id, describedBy, isWrong },
  isLines,
  value,
  nothing,
  onValue,
}: {
  ties: Ties;
  isLines: boolean;
  value: unknown;
  nothing: [] | undefined;
  onValue: (value: unknown) => void;
}) {
  const words = Array.isArray(value) ? (value as string[]) : [];
  const whole = words.join(isLines ? "\n" : ", ");
  const [typed, setTyped] = useState(whole);
  const split = (text: string) =>
    (isLines ? text.split("\n") : text.split(",").map((word) => word.trim())).filter(Boolean);
  const props = {
    id,
    "aria-describedby": describedBy,
    "aria-invalid": isWrong || undefined,
    value: JSON.stringify(split(typed)) === JSON.stringify(words) ? typed : whole,
    spellCheck: false,
    onChange: ({ target }: { readonly target: { readonly value: string } }) => {
      setTyped(target.value);
      const next = split(target.value);
      onValue(next.length > 0 ? next : nothing);
    },
  };
  return isLines ? (
    <textarea
      {...props}
      rows={Math.max(2, words.length + 1)}
      className={`${inputLook} h-auto py-1 font-mono`}
    />
  ) : (
    <input {...props} className={inputLook} />
  );
}

function Rows({
  field,
  value,
  at,
  flaws,
  onValue,
}: FieldProps & { field: Extract<FieldSpec, { kind: "rows" }>; at: string }) {
  const rows = Array.isArray(value) ? (value as Draft[]) : [];
  const set = (next: readonly Draft[]) => onValue(next.length === 0 && field.optional ? undefined : next);
  const move = (index: number, by: number) => {
    const next = [...rows];
    next.splice(index + by, 0, ...next.splice(index, 1));
    set(next);
  };
  const name = (index: number) => `${say(field.one)} ${index + 1}`;
  return (
    <Group title={labelOf(field)} hint={hintOf(field)}>
      <ol className="space-y-1.5">
        {rows.map((row, index) => (
          <li key={index} className="border-line bg-sunk flex gap-2 rounded-md border p-2">
            <div className="min-w-0 grow">
              <FieldForm
                fields={field.fields}
                draft={row}
                path={`${at}.${index}.`}
                flaws={flaws}
                onChange={(next) => set(rows.map((each, other) => (other === index ? next : each)))}
              />
            </div>
            <div className="flex flex-col">
              <Button
                small
                look="quiet"
                aria-label={say("game.moveUp", { index: name(index) })}
                disabled={index === 0}
                onClick={() => move(index, -1)}
              >
                <ArrowUp size={13} aria-hidden />
              </Button>
              <Button
                small
                look="quiet"
                aria-label={say("game.moveDown", { index: name(index) })}
                disabled={index === rows.length - 1}
                onClick={() => move(index, 1)}
              >
                <ArrowDown size={13} aria-hidden />
              </Button>
              <Button
                small
                look="quiet"
                aria-label={say("game.takeOut", { index: name(index) })}
                onClick={() => set(rows.filter((_, other) => other !== index))}
              >
                <X size={13} aria-hidden />
              </Button>
            </div>
          </li>
        ))}
      </ol>
      <Flaws of={at} flaws={flaws} />
      <Button small className="mt-1.5" onClick={() => set([...rows, field.start])}>
        {rich("game.another", { plus: <Plus size={13} aria-hidden />, one: say(field.one) })}
      </Button>
    </Group>
  );
}
