"use client";

import { say } from "@/core/language/say";
import { rich } from "../kit/rich";
import { useState } from "react";
import { sharedCount } from "@/core/messages/counts";
import { sharedBy } from "@/core/edit/remember";
import { addRule } from "@/core/edit/rule-edits";
import type { SeatedItem } from "@/core/roster/roster";
import { ConflictsInShort } from "../conflicts/about-mod";
import { Button } from "../kit/button";
import { Part } from "../kit/part";
import { ItemName } from "../kit/sentence";
import { RuleDialog, type RuleStart } from "../rules/rule-dialog";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

const mostListed = 6;

/** With what an item conflicts: the same records changed, or the same files brought; who wins, and a rule that keeps it so. */
export function Meetings({ item }: { item: SeatedItem }) {
  const { editor } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const [start, setStart] = useState<RuleStart | null>(null);
  const { itemOf } = roster.lists[item.list];
  const met = [...sharedBy(roster, item.list, item.id)]
    .flatMap(([id, shared]) => {
      const other = itemOf.get(id);
      return other?.loads && item.loads ? [{ other, shared }] : [];
    })
    .sort((a, b) => b.shared - a.shared || a.other.place - b.other.place);
  const of = item.list === "mods" ? "files" : "records";
  if (met.length === 0) return null;
  const keep = (other: SeatedItem) => {
    const [earlier, later] = item.place < other.place ? [item, other] : [other, item];
    setStart({
      list: item.list,
      about: [later.id],
      rule: { kind: "after", item: later.id, other: earlier.id, strength: "prefer" },
    });
  };
  return (
    <Part title={say("plan.conflictsTheOneThatLoadsLater", { count: met.length })}>
      <ConflictsInShort of={of} id={item.id} />
      <ul className="mt-1.5 space-y-1.5">
        {met.slice(0, mostListed).map(({ other, shared }) => (
          <li key={other.id}>
            {other.place < item.place ? say("plan.winsOver") : say("plan.losesTo")}
            {rich("plan.in", { item: <ItemName id={other.id} />, shared: sharedCount(item.list, shared) })}
            <Button small look="quiet" className="!h-5 !px-1" onClick={() => keep(other)}>
              {say("plan.rememberAsARule")}
            </Button>
          </li>
        ))}
        {met.length > mostListed && (
          <li className="text-ink3">{say("common.andMore", { count: met.length - mostListed })}</li>
        )}
      </ul>
      <RuleDialog
        start={start}
        onClose={() => setStart(null)}
        onStore={(rule) => editor.dispatch(addRule(rule))}
      />
    </Part>
  );
}
