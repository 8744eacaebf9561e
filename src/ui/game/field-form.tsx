"use client";

import { ArrowDown, ArrowUp, Plus, X } from "lucide-react";
import { useId, useState, type ReactNode } from "react";
import type { Flaw } from "@/core/game/definition-flaws";
import { Button } from "../kit/button";
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
      <Group {...props} title={field.label} hint={field.hint}>
        {value === undefined && field.start ? (
          <Button small onClick={() => onValue(field.start)}>
            <Plus size={13} aria-hidden /> Say it
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
                <X size={13} aria-hidden /> Leave it out
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
      {hint && <p className="text-ink3 mb-1 text-xs">{hint}</p>}
      {children}
    </fieldset>
  );
}

/** What is wrong at a place or, where nothing below it can show it, beneath it. */
function Flaws({ of, flaws }: { of: string; flaws: readonly Flaw[] }) {
  return flaws
    .filter(
      ({ path }) => path === of || (path.startsWith(`${of}.`) && /^\d+$/.test(path.slice(of.length + 1))),
    )
    .map(({ path, text }) => (
      <p key={`${path} ${text}`} role="alert" className="text-brick mt-0.5 text-xs">
        {text}
      </p>
    ));
}

type SimpleSpec = Exclude<FieldSpec, { kind: "group" | "rows" }>;
const look = "border-line bg-surface h-7 w-full rounded-md border px-2 text-base";

function Simple({ field, value, at, flaws, onValue }: FieldProps & { field: SimpleSpec; at: string }) {
  const id = useId();
  const isWide = field.kind === "words" || (field.kind === "text" && field.wide);
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
          {field.label}
        </label>
        <Flaws of={at} flaws={flaws} />
      </div>
    );
  return (
    <div className={isWide ? "min-w-52 grow basis-60" : "w-40"}>
      <label htmlFor={id} className="text-ink2 mb-0.5 block text-sm">
        {field.label}
      </label>
      <Input field={field} id={id} value={value} onValue={onValue} />
      {field.hint && <p className="text-ink3 mt-0.5 text-xs">{field.hint}</p>}
      <Flaws of={at} flaws={flaws} />
    </div>
  );
}

function Input({
  field,
  id,
  value,
  onValue,
}: {
  field: SimpleSpec;
  id: string;
  value: unknown;
  onValue: (value: unknown) => void;
}) {
  const said = typeof value === "string" || typeof value === "number" ? String(value) : "";
  const nothing = "optional" in field && field.optional ? undefined : "";
  switch (field.kind) {
    case "number":
      return (
        <input
          id={id}
          type="number"
          value={said}
          onChange={({ target }) => onValue(target.value === "" ? nothing : Number(target.value))}
          className={`${look} font-mono`}
        />
      );
    case "words":
      return <Words id={id} value={value} nothing={field.optional ? undefined : []} onValue={onValue} />;
    case "choice":
      return (
        <select
          id={id}
          value={said}
          onChange={({ target }) =>
            onValue(field.choices.find(([each]) => String(each) === target.value)?.[0] ?? undefined)
          }
          className={look}
        >
          {(field.optional || said === "") && <option value="">{field.optional ? "no" : "choose…"}</option>}
          {field.choices.map(([each, words]) => (
            <option key={each} value={each}>
              {words}
            </option>
          ))}
        </select>
      );
    case "checks": {
      const chosen = Array.isArray(value) ? (value as string[]) : [];
      return (
        <div id={id} role="group" aria-label={field.label} className="flex h-7 items-center gap-3">
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
              {words}
            </label>
          ))}
        </div>
      );
    }
    default:
      return (
        <input
          id={id}
          value={said}
          spellCheck={false}
          onChange={({ target }) => onValue(target.value || nothing)}
          className={look}
        />
      );
  }
}

/** Keeps what is typed, commas at the end too, while the draft holds the words. */
function Words({
  id,
  value,
  nothing,
  onValue,
}: {
  id: string;
  value: unknown;
  nothing: [] | undefined;
  onValue: (value: unknown) => void;
}) {
  const words = Array.isArray(value) ? (value as string[]) : [];
  const [typed, setTyped] = useState(words.join(", "));
  const split = (text: string) =>
    text
      .split(",")
      .map((word) => word.trim())
      .filter(Boolean);
  const shown = split(typed).join() === words.join() ? typed : words.join(", ");
  return (
    <input
      id={id}
      value={shown}
      spellCheck={false}
      onChange={({ target }) => {
        setTyped(target.value);
        const next = split(target.value);
        onValue(next.length > 0 ? next : nothing);
      }}
      className={look}
    />
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
  const name = (index: number) => `${field.one} ${index + 1}`;
  return (
    <Group title={field.label} hint={field.hint}>
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
                aria-label={`Move ${name(index)} up`}
                disabled={index === 0}
                onClick={() => move(index, -1)}
              >
                <ArrowUp size={13} aria-hidden />
              </Button>
              <Button
                small
                look="quiet"
                aria-label={`Move ${name(index)} down`}
                disabled={index === rows.length - 1}
                onClick={() => move(index, 1)}
              >
                <ArrowDown size={13} aria-hidden />
              </Button>
              <Button
                small
                look="quiet"
                aria-label={`Take out ${name(index)}`}
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
        <Plus size={13} aria-hidden /> Another {field.one}
      </Button>
    </Group>
  );
}
