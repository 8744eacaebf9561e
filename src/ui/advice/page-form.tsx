"use client";

import { useMemo, useState, type FormEvent } from "react";
import { writeAllAdvice } from "@/core/edit/advice";
import { say } from "@/core/language/say";
import type { AdviceOn } from "@/core/model/advice";
import { adviceInPage, adviceOfOffered } from "@/core/roster/page-advice";
import type { SeatedItem } from "@/core/roster/roster";
import { Button } from "../kit/button";
import { Field } from "../kit/field";
import { dayOf } from "@/core/day-of";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** The text of a page is pasted; what is found in it is looked at, and stored as far as it is ticked. */
export function PageForm({ item, onClose }: { item: SeatedItem; onClose: () => void }) {
  const { editor } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const [text, setText] = useState("");
  const [source, setSource] = useState("");
  const [left, leave] = useState<ReadonlySet<number>>(new Set());
  const offered = useMemo(() => adviceInPage(roster, item, text), [roster, item, text]);
  const taken = offered.filter((_, at) => !left.has(at));
  const store = (event: FormEvent) => {
    event.preventDefault();
    const on: AdviceOn = item.list === "plugins" ? { plugin: item.id } : { mod: item.id };
    const told = { ...(source.trim() && { source: source.trim() }), date: dayOf(new Date()) };
    editor.dispatch(writeAllAdvice(taken.map((each) => adviceOfOffered(on, each, told))));
    onClose();
  };
  const turn = (at: number, on: boolean) =>
    leave((now) => new Set(on ? [...now].filter((each) => each !== at) : [...now, at]));
  return (
    <form onSubmit={store} className="space-y-3">
      <label className="block">
        <span className="text-ink2 mb-1 block text-sm font-semibold">{say("advice.pageText")}</span>
        <textarea
          value={text}
          onChange={(event) => {
            setText(event.target.value);
            leave(new Set());
          }}
          rows={8}
          autoFocus
          className="border-line bg-surface w-full rounded-md border px-2.5 py-1.5"
        />
      </label>
      {text.trim() !== "" && (
        <fieldset>
          <legend className="text-ink2 mb-1 text-sm font-semibold">
            {say("advice.foundInIt", { count: offered.length })}
          </legend>
          <ul className="border-line max-h-56 overflow-auto rounded-md border empty:hidden">
            {offered.map(({ kind, other, line }, at) => (
              <li key={at} className="border-line border-b px-2.5 py-1.5 last:border-b-0">
                <label className="flex items-start gap-2">
                  <input
                    type="checkbox"
                    checked={!left.has(at)}
                    onChange={(event) => turn(at, event.target.checked)}
                    className="accent-pine mt-1"
                  />
                  <span className="min-w-0">
                    <b>{say(`advice.offered.${kind}`, { name: other?.name ?? "" })}</b>{" "}
                    <span className="text-ink2 break-words">“{line}”</span>
                  </span>
                </label>
              </li>
            ))}
          </ul>
        </fieldset>
      )}
      <Field
        label={say("advice.readWhere")}
        value={source}
        maxLength={1000}
        onChange={(event) => setSource(event.target.value)}
      />
      <div className="flex justify-end gap-2 pt-1">
        <Button look="quiet" onClick={onClose}>
          {say("common.cancel")}
        </Button>
        <Button look="main" type="submit" disabled={taken.length === 0}>
          {say("advice.storeFound", { count: taken.length })}
        </Button>
      </div>
    </form>
  );
}
