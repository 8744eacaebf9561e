"use client";

import { useState, type FormEvent, type ReactNode } from "react";
import { Select } from "../kit/select";
import { ruleText } from "@/core/messages/rules";
import type { OrderRule, Strength } from "@/core/model/problem";
import { listOfRule, type ListName, type Rule } from "@/core/model/profile";
import { itemsOf } from "@/core/order/rule-items";
import { Button } from "../kit/button";
import { Choice } from "../kit/choice";
import { Dialog } from "../kit/dialog";
import { Field, Labelled } from "../kit/field";
import { NumberField } from "../kit/number-field";
import { Say } from "../kit/sentence";
import { CutDown } from "./cut-down";
import { newRule } from "./new-rule";
import { ItemPicker } from "./item-picker";

type Kind = OrderRule["kind"];

const kindWords: Record<Kind, string> = {
  after: "loads later than",
  before: "loads earlier than",
  first: "comes first",
  last: "comes last",
  together: "stay together",
};

/** What a rule is made from: a whole one to change, or what is known of a new one. */
export type RuleStart =
  Rule | { readonly list: ListName; readonly about: readonly string[]; readonly rule?: OrderRule };

export function RuleDialog({
  start,
  onClose,
  onStore,
}: {
  start: RuleStart | null;
  onClose: () => void;
  onStore: (rule: Rule) => void;
}) {
  const isNew = start !== null && "about" in start;
  return (
    <Dialog
      open={start !== null}
      onClose={onClose}
      title={isNew ? "Remember as a rule" : "Change the rule"}
      hint="Every proposal keeps it, as long as it agrees with what is stronger."
      size="medium"
    >
      {start && <RuleForm start={start} onClose={onClose} onStore={onStore} />}
    </Dialog>
  );
}

interface Draft {
  readonly kind: Kind;
  readonly items: readonly string[];
  readonly other: string | null;
  readonly within: "section" | "list";
  readonly strength: Strength;
  readonly weight: number | null;
}

function draftOf(start: RuleStart): Draft {
  const plain = { other: null, within: "section", strength: "prefer", weight: null } as const;
  if ("about" in start && !start.rule)
    return { ...plain, kind: start.about.length > 1 ? "together" : "after", items: start.about };
  const rule = start.rule!;
  return {
    ...plain,
    kind: rule.kind,
    items: rule.kind === "together" ? rule.items : [rule.item],
    other: itemsOf(rule)[1] ?? null,
    within: "within" in rule ? rule.within : "section",
    strength: rule.strength,
    weight: rule.weight ?? null,
  };
}

/** Null while something is missing. */
function ruleOf({ kind, items, other, within, strength, weight }: Draft): OrderRule | null {
  const [item] = items;
  if (item === undefined) return null;
  const weighed = weight === null || strength === "must" ? {} : { weight };
  if (kind === "together")
    return items.length > 1 ? { kind, items: [...items], strength: "prefer", ...weighed } : null;
  if (kind === "first" || kind === "last") return { kind, item, within, strength, ...weighed };
  return other === null || other === item ? null : { kind, item, other, strength, ...weighed };
}

function RuleForm({
  start,
  onClose,
  onStore,
}: {
  start: RuleStart;
  onClose: () => void;
  onStore: (rule: Rule) => void;
}) {
  const known = "about" in start ? null : start;
  const list = "about" in start ? start.list : listOfRule(start);
  const [draft, setDraft] = useState(() => draftOf(start));
  const [note, setNote] = useState(known?.note ?? "");
  const [shared, setShared] = useState(known?.shared === true);
  const change = (part: Partial<Draft>) => setDraft({ ...draft, ...part });
  const rule = ruleOf(draft);
  const isPair = draft.kind === "after" || draft.kind === "before";
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (!rule) return;
    const scope = shared ? { shared: true as const } : {};
    const { shared: _, ...kept } = known ?? newRule(list, rule);
    onStore({ ...kept, rule, note: note.trim(), ...scope });
    onClose();
  };
  return (
    <form onSubmit={submit} className="space-y-3">
      {draft.items.length === 0 && (
        <ItemPicker
          list={list}
          label="Which one"
          chosen={null}
          partnerOf={null}
          onChoose={(id) => change({ items: [id] })}
        />
      )}
      <div>
        <p className="text-ink2 mb-1 text-sm font-semibold">
          {draft.items.length > 0 && (
            <Say parts={draft.items.slice(0, 3).flatMap((item) => [{ item }, " "])} />
          )}
        </p>
        <Select
          label="What the rule says"
          value={draft.kind}
          options={(Object.keys(kindWords) as Kind[]).map((kind) => ({
            value: kind,
            words: kindWords[kind],
          }))}
          onChoose={(kind) => change({ kind: kind as Kind })}
        />
      </div>
      {isPair && draft.items.length > 0 && (
        <ItemPicker
          list={list}
          label="Than which"
          chosen={draft.other}
          partnerOf={draft.items[0]!}
          onChoose={(other) => change({ other })}
        />
      )}
      {draft.kind === "together" && draft.items.length > 0 && (
        <ItemPicker
          list={list}
          label={`With which: ${draft.items.length} so far`}
          chosen={null}
          partnerOf={draft.items[0]!}
          onChoose={(id) => change({ items: [...new Set([...draft.items, id])] })}
        />
      )}
      {draft.kind === "together" && (
        <CutDown list={list} items={draft.items} onCut={(items) => change({ items })} />
      )}
      {(draft.kind === "first" || draft.kind === "last") && (
        <Choices label="Where">
          <Choice
            name="within"
            checked={draft.within === "section"}
            onChoose={() => change({ within: "section" })}
          >
            in its section
          </Choice>
          <Choice name="within" checked={draft.within === "list"} onChoose={() => change({ within: "list" })}>
            of all of its load rank
          </Choice>
        </Choices>
      )}
      <div className="flex gap-6">
        {draft.kind !== "together" && (
          <Choices label="How strong">
            <Choice
              name="strength"
              checked={draft.strength === "prefer"}
              onChoose={() => change({ strength: "prefer" })}
            >
              prefer
            </Choice>
            <Choice
              name="strength"
              checked={draft.strength === "must"}
              onChoose={() => change({ strength: "must" })}
            >
              must: bars moves against it
            </Choice>
          </Choices>
        )}
        <Choices label="Holds in">
          <Choice name="scope" checked={!shared} onChoose={() => setShared(false)}>
            this profile
          </Choice>
          <Choice name="scope" checked={shared} onChoose={() => setShared(true)}>
            all of this game’s
          </Choice>
        </Choices>
      </div>
      <div className="flex gap-3">
        <div className="grow">
          <Field
            label="Because"
            value={note}
            maxLength={500}
            placeholder="What goes wrong otherwise; your proposals will say it"
            onChange={(event) => setNote(event.target.value)}
          />
        </div>
        {(draft.strength === "prefer" || draft.kind === "together") && (
          <div className="w-24">
            <Labelled label="Weight">
              {({ id }) => (
                <NumberField
                  label="Weight"
                  id={id}
                  value={draft.weight}
                  placeholder="1"
                  isLive
                  onStore={(weight) => change({ weight })}
                  className="w-full"
                />
              )}
            </Labelled>
          </div>
        )}
      </div>
      <div className="flex items-center justify-end gap-2 pt-1">
        <p className="text-ink2 mr-auto">
          {rule ? <Say parts={[...ruleText(rule), "."]} /> : "Choose the other one."}
        </p>
        <Button look="quiet" onClick={onClose}>
          Cancel
        </Button>
        <Button look="main" type="submit" disabled={!rule}>
          {known ? "Store" : "Remember"}
        </Button>
      </div>
    </form>
  );
}

function Choices({ label, children }: { label: string; children: ReactNode }) {
  return (
    <fieldset className="flex gap-4">
      <legend className="text-ink2 mb-1 text-sm font-semibold">{label}</legend>
      {children}
    </fieldset>
  );
}
