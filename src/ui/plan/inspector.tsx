"use client";

import { facetWord } from "@/core/messages/facets";
import { say } from "@/core/language/say";
import { rich } from "../kit/rich";
import { memo, useMemo, useState } from "react";
import { switchItems } from "@/core/edit/edits";
import { addRule } from "@/core/edit/rule-edits";
import { stateAfter } from "@/core/edit/steps";
import type { SeatedItem } from "@/core/roster/roster";
import { Button } from "../kit/button";
import { HandChanges } from "../conflicts/hand-changes";
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
          {say("plan.areSelected", { count: items.length, list: facetWord(one.list, "many") })}
        </h2>
        <p className="text-ink2">{say("plan.dragThemOrMoveThemTo")}</p>
        {items.length === 2 && <WhyBetween items={[one, other]} />}
      </>
    );
  return (
    <div className="text-ink2 space-y-2">
      <p className="text-ink font-bold">{say("plan.whoSitsWhereAndWhy")}</p>
      <p>{say("plan.selectARowToSeeWhat")}</p>
      <p>
        {say("plan.whatStandsAtTheTopLoads")}
        {rich("plan.forTheKeys", { key: <kbd className="font-mono text-sm">?</kbd> })}
      </p>
    </div>
  );
}

function InspectorActions({ items, onMoveTo }: { items: readonly SeatedItem[]; onMoveTo: () => void }) {
  const { editor } = useWorkspace();
  const movable = items.filter((item) => !item.fixed);
  const [start, setStart] = useState<RuleStart | null>(null);
  const [first] = movable;
  const turnOn = movable.some((item) => !item.loads);
  if (!first) return null;
  const turn = () => {
    const edit = switchItems(editor.getState().roster, movable, turnOn);
    if (edit) editor.dispatch(edit);
  };
  const remember = () => setStart({ list: first.list, about: movable.map((item) => item.id) });
  return (
    <div className="border-line flex flex-wrap gap-2 border-t p-3">
      <HandsWhenSwitched on={turnOn} />
      <Button onClick={onMoveTo}>{say("plan.moveTo")}</Button>
      <Button onClick={remember}>{say("plan.remember")}</Button>
      <RuleDialog
        start={start}
        onClose={() => setStart(null)}
        onStore={(rule) => editor.dispatch(addRule(rule))}
      />
      <Button onClick={turn}>{say("plan.switch2", { turnOn: String(turnOn) })}</Button>
      {movable.length === 1 && <OnTheShelf item={first} />}
    </div>
  );
}

/** What changes hands if what is selected is switched. */
function HandsWhenSwitched({ on }: { on: boolean }) {
  const roster = useEditor((state) => state.roster);
  const lens = useEditor((state) => state.lens);
  const selected = useEditor((state) => state.selected);
  const then = useMemo(() => {
    const items = selected.flatMap((id) => roster.lists[lens].itemOf.get(id) ?? []);
    const edit = switchItems(
      roster,
      items.filter(({ fixed }) => !fixed),
      on,
    );
    return edit && stateAfter(roster.profile.state, edit);
  }, [roster, lens, selected, on]);
  return (
    <div className="w-full">
      <HandChanges
        key={selected.join(" ")}
        state={then}
        intro={on ? say("conflicts.whenOn") : say("conflicts.whenOff")}
      />
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
      {say("plan.onTheShelf")}
    </ViewLink>
  );
}
