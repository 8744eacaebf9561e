"use client";

import { say } from "@/core/language/say";
import { useState, type FormEvent } from "react";
import { writeAdvice } from "@/core/edit/advice";
import { Advice, type AdviceKind, type AdviceOn } from "@/core/model/advice";
import type { ListName } from "@/core/model/profile";
import { dayOf } from "@/core/day-of";
import { partsOf } from "@/core/roster/parts";
import { titleOf, type SeatedItem } from "@/core/roster/roster";
import { Button } from "../kit/button";
import { Choice } from "../kit/choice";
import { Dialog } from "../kit/dialog";
import { Field } from "../kit/field";
import { NumberField } from "../kit/number-field";
import { SelectField } from "../kit/select";
import { ItemPicker } from "../rules/item-picker";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { PageForm } from "./page-form";

/** What of the kinds a curator writes down; marks are set where a blend is made. */
const writtenKinds = [
  "needs",
  "clashes",
  "recommended",
  "outdated",
  "known-bad",
  "leftover",
  "place",
  "note",
] as const satisfies readonly AdviceKind[];
type WrittenKind = (typeof writtenKinds)[number];

const withOther: ReadonlySet<AdviceKind> = new Set(["needs", "clashes", "recommended", "outdated"]);

/** What the dialog begins with: a piece that is changed, a new one, or the text of a page. */
export type AdviceStart = Advice | "new" | "page";

/** Writes down what somebody has read or found out of an item. */
export function AdviceDialog({
  item,
  start,
  onClose,
}: {
  item: SeatedItem;
  start: AdviceStart | null;
  onClose: () => void;
}) {
  return (
    <Dialog
      open={start !== null}
      onClose={onClose}
      title={say("advice.dialogTitle", { name: titleOf(item) })}
      hint={say("advice.dialogHint")}
      size="medium"
      guide={{ page: "when-something-is-wrong" }}
    >
      {start === "page" && <PageForm item={item} onClose={onClose} />}
      {start && start !== "page" && (
        <AdviceForm item={item} old={start === "new" ? null : start} onClose={onClose} />
      )}
    </Dialog>
  );
}

interface Draft {
  readonly kind: WrittenKind;
  readonly part: string;
  readonly list: ListName;
  readonly other: string | null;
  readonly section: string;
  readonly count: number | null;
  readonly text: string;
  readonly source: string;
  readonly date: string;
}

function draftOf(item: SeatedItem, old: Advice | null): Draft {
  const other = old && "other" in old ? old.other : undefined;
  return {
    kind: old && old.kind !== "marks" ? old.kind : "needs",
    part: (old && "mod" in old.on && old.on.part) || "",
    list: other && "plugin" in other ? "plugins" : other ? "mods" : item.list,
    other: other ? ("mod" in other ? other.mod : other.plugin) : null,
    section: old?.kind === "place" ? old.section : item.entry.section,
    count: old?.kind === "leftover" ? old.count : 1,
    text: old?.text ?? "",
    source: old?.source ?? "",
    date: old?.date ?? dayOf(new Date()),
  };
}

/** Null as long as something that its kind needs is not said. */
function adviceOf(item: SeatedItem, draft: Draft): Advice | null {
  const on: AdviceOn =
    item.list === "plugins" ? { plugin: item.id } : { mod: item.id, ...(draft.part && { part: draft.part }) };
  const told = Object.fromEntries(
    (["text", "source", "date"] as const)
      .map((name) => [name, draft[name].trim()] as const)
      .filter(([, words]) => words !== ""),
  );
  const other =
    draft.other === null
      ? {}
      : { other: draft.list === "mods" ? { mod: draft.other } : { plugin: draft.other } };
  const parsed = Advice.safeParse({
    kind: draft.kind,
    on,
    ...told,
    ...(withOther.has(draft.kind) && other),
    ...(draft.kind === "place" && { section: draft.section }),
    ...(draft.kind === "leftover" && { count: draft.count }),
  });
  const isWhole = draft.kind !== "recommended" || draft.other !== null;
  return parsed.success && isWhole ? parsed.data : null;
}

function AdviceForm({ item, old, onClose }: { item: SeatedItem; old: Advice | null; onClose: () => void }) {
  const { editor } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const [draft, setDraft] = useState(() => draftOf(item, old));
  const set = (change: Partial<Draft>) => setDraft((before) => ({ ...before, ...change }));
  const advice = adviceOf(item, draft);
  const parts = item.list === "mods" ? partsOf(item.mod?.manifest ?? null) : [];
  const store = (event: FormEvent) => {
    event.preventDefault();
    if (!advice) return;
    editor.dispatch(writeAdvice(advice, old));
    onClose();
  };
  return (
    <form onSubmit={store} className="space-y-3">
      <div className="grid grid-cols-2 gap-3">
        <SelectField
          label={say("advice.whatIsKnown")}
          value={draft.kind}
          options={writtenKinds.map((kind) => ({ value: kind, words: say(`advice.kind.${kind}`) }))}
          onChoose={(kind) => set({ kind: kind as WrittenKind })}
        />
        {parts.length > 0 && (
          <SelectField
            label={say("advice.ofWhat")}
            value={draft.part}
            options={[
              { value: "", words: say("advice.theWholeMod") },
              ...parts.map(({ key, part }) => ({ value: key, words: part.label })),
            ]}
            onChoose={(part) => set({ part })}
          />
        )}
      </div>
      {withOther.has(draft.kind) && <OtherOne item={item} draft={draft} set={set} />}
      {draft.kind === "place" && (
        <SelectField
          label={say("advice.section")}
          value={draft.section}
          options={roster.lists[item.list].sections.map(({ id, name }) => ({ value: id, words: name }))}
          onChoose={(section) => set({ section })}
        />
      )}
      {draft.kind === "leftover" && (
        <NumberField
          label={say("advice.howMany")}
          value={draft.count}
          least={1}
          isNeeded
          isLive
          onStore={(count) => set({ count })}
        />
      )}
      <Field
        label={say(draft.kind === "note" ? "advice.whatThereIsToKnow" : "advice.why")}
        value={draft.text}
        maxLength={1000}
        onChange={(event) => set({ text: event.target.value })}
      />
      <div className="grid grid-cols-2 gap-3">
        <Field
          label={say("advice.readWhere")}
          value={draft.source}
          maxLength={1000}
          onChange={(event) => set({ source: event.target.value })}
        />
        <Field
          label={say("advice.when")}
          value={draft.date}
          maxLength={40}
          onChange={(event) => set({ date: event.target.value })}
        />
      </div>
      <div className="flex justify-end gap-2 pt-1">
        <Button look="quiet" onClick={onClose}>
          {say("common.cancel")}
        </Button>
        <Button look="main" type="submit" disabled={!advice}>
          {say("advice.store")}
        </Button>
      </div>
    </form>
  );
}

function OtherOne({
  item,
  draft,
  set,
}: {
  item: SeatedItem;
  draft: Draft;
  set: (change: Partial<Draft>) => void;
}) {
  const { lists } = useEditor((state) => state.roster.game);
  return (
    <div className="space-y-2">
      {lists.length > 1 && (
        <div className="flex gap-4">
          {lists.map((list) => (
            <Choice
              key={list}
              name="advice-list"
              checked={draft.list === list}
              onChoose={() => set({ list, other: null })}
            >
              {say(list === "mods" ? "advice.aMod" : "advice.aPlugin")}
            </Choice>
          ))}
        </div>
      )}
      <ItemPicker
        list={draft.list}
        label={say(`advice.otherOf.${draft.kind as "needs"}`)}
        chosen={draft.other}
        partnerOf={draft.list === item.list ? item.id : null}
        onChoose={(other) => set({ other })}
      />
    </div>
  );
}
