"use client";

import { memo, useState } from "react";
import { switchItems } from "@/core/edit/edits";
import { addRule } from "@/core/edit/rule-edits";
import type { SeatedItem } from "@/core/roster/roster";
import { Button } from "../kit/button";
import { RuleDialog, type RuleStart } from "../rules/rule-dialog";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { AboutItem } from "./about-item";
import { WhyBetween } from "./why-between";
import { ViewLink } from "../workspace/view-link";

/** Everything about the selected plugin or mod, and always: why here? */
export const Inspector = memo(function Inspector({ onMoveTo }: { onMoveTo: () => void }) {
  const list = useEditor((state) => state.roster.lists[state.lens]);
  const selected = useEditor((state) => state.selected);
  const items = selected.map((id) => list.itemOf.get(id)).filter((item) => item !== undefined);
  const [only] = items;
  return (
    <>
      <div tabIndex={0} className="min-h-0 grow space-y-4 overflow-auto p-3.5">
        {only && items.length === 1 ? <AboutItem item={only} /> : <NothingOrMany items={items} />}
      </div>
      {items.length > 0 && <InspectorActions items={items} onMoveTo={onMoveTo} />}
    </>
  );
});

function NothingOrMany({ items }: { items: readonly SeatedItem[] }) {
  const [one, other] = items;
  if (one && other)
    return (
      <>
        <h2 className="font-bold">
          {items.length} {one.list} are selected
        </h2>
        <p className="text-ink2">
          Drag them, or move them to a seat; they keep their order among themselves.
        </p>
        {items.length === 2 && <WhyBetween items={[one, other]} />}
      </>
    );
  return (
    <div className="text-ink2 space-y-2">
      <p className="text-ink font-bold">Who sits where, and why?</p>
      <p>Select a row to see what ties it to its seat, what it needs, and what would fall with it.</p>
      <p>
        What stands at the top loads first. What loads later wins. Press{" "}
        <kbd className="font-mono text-sm">?</kbd> for the keys.
      </p>
    </div>
  );
}

function InspectorActions({ items, onMoveTo }: { items: readonly SeatedItem[]; onMoveTo: () => void }) {
  const { editor } = useWorkspace();
  const movable = items.filter((item) => !item.fixed);
  const [start, setStart] = useState<RuleStart | null>(null);
  const [first] = movable;
  if (!first) return null;
  const turnOn = movable.some((item) => !item.loads);
  const turn = () => {
    const edit = switchItems(editor.getState().roster, movable, turnOn);
    if (edit) editor.dispatch(edit);
  };
  const remember = () => setStart({ list: first.list, about: movable.map((item) => item.id) });
  return (
    <div className="border-line flex flex-wrap gap-2 border-t p-3">
      <Button onClick={onMoveTo}>Move to…</Button>
      <Button onClick={remember}>Remember…</Button>
      <RuleDialog
        start={start}
        onClose={() => setStart(null)}
        onStore={(rule) => editor.dispatch(addRule(rule))}
      />
      <Button onClick={turn}>Switch {turnOn ? "on" : "off"}</Button>
      {movable.length === 1 && <OnTheShelf item={first} />}
    </div>
  );
}

function OnTheShelf({ item }: { item: SeatedItem }) {
  const mod = item.list === "mods" ? item : item.mod;
  if (!mod) return null;
  return (
    <ViewLink
      href={`/shelf?mod=${encodeURIComponent(mod.id)}`}
      className="text-ink2 hover:bg-sunk hover:text-ink inline-flex h-8 items-center rounded-md px-3 font-semibold"
    >
      On the shelf
    </ViewLink>
  );
}
