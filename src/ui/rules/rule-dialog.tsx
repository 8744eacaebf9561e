"use client";

import { say } from "@/core/language/say";
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
  get after() {
    return say("rules.loadsLaterThan2");
  },
  get before() {
    return say("rules.loadsEarlierThan2");
  },
  get first() {
    return say("rules.comesFirst");
  },
  get last() {
    return say("rules.comesLast");
  },
  get together() {
    return say("rules.stayTogether");
  },
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
      title={isNew ? say("rules.rememberAsARule") : say("rules.changeTheRule")}
      hint={say("rules.everyProposalKeepsItAsLong")}
      size="medium"
      guide={{ page: "correct-and-remember" }}
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
          label={say("rules.whichOne")}
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
          label={say("rules.whatTheRuleSays")}
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
          label={say("rules.thanWhich")}
          chosen={draft.other}
          partnerOf={draft.items[0]!}
          onChoose={(other) => change({ other })}
        />
      )}
      {draft.kind === "together" && draft.items.length > 0 && (
        <ItemPicker
          list={list}
          label={say("rules.withWhichSoFar", { count: draft.items.length })}
          chosen={null}
          partnerOf={draft.items[0]!}
          onChoose={(id) => change({ items: [...new Set([...draft.items, id])] })}
        />
      )}
      {draft.kind === "together" && (
        <CutDown list={list} items={draft.items} onCut={(items) => change({ items })} />
      )}
      {(draft.kind === "first" || draft.kind === "last") && (
        <Choices label={say("rules.where")}>
          <Choice
            name="within"
            checked={draft.within === "section"}
            onChoose={() => change({ within: "section" })}
          >
            {say("rules.inItsSection")}
          </Choice>
          <Choice name="within" checked={draft.within === "list"} onChoose={() => change({ within: "list" })}>
            {say("rules.ofAllOfItsLoadRank")}
          </Choice>
        </Choices>
      )}
      <div className="flex gap-6">
        {draft.kind !== "together" && (
          <Choices label={say("rules.howStrong")}>
            <Choice
              name="strength"
              checked={draft.strength === "prefer"}
              onChoose={() => change({ strength: "prefer" })}
            >
              {say("rules.prefer")}
            </Choice>
            <Choice
              name="strength"
              checked={draft.strength === "must"}
              onChoose={() => change({ strength: "must" })}
            >
              {say("rules.mustBarsMovesAgainstIt")}
            </Choice>
          </Choices>
        )}
        <Choices label={say("rules.holdsIn")}>
          <Choice name="scope" checked={!shared} onChoose={() => setShared(false)}>
            {say("common.thisProfile")}
          </Choice>
          <Choice name="scope" checked={shared} onChoose={() => setShared(true)}>
            {say("rules.allOfThisGameS")}
          </Choice>
        </Choices>
      </div>
      <div className="flex gap-3">
        <div className="grow">
          <Field
            label={say("rules.because")}
            value={note}
            maxLength={500}
            placeholder={say("rules.whatGoesWrongOtherwiseYourProposals")}
            onChange={(event) => setNote(event.target.value)}
          />
        </div>
        {(draft.strength === "prefer" || draft.kind === "together") && (
          <div className="w-24">
            <Labelled label={say("rules.weight2")}>
              {({ id }) => (
                <NumberField
                  label={say("rules.weight2")}
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
          {rule ? <Say parts={[...ruleText(rule), "."]} /> : say("rules.chooseTheOtherOne")}
        </p>
        <Button look="quiet" onClick={onClose}>
          {say("common.cancel")}
        </Button>
        <Button look="main" type="submit" disabled={!rule}>
          {known ? say("common.save") : say("rules.remember")}
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
