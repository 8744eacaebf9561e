"use client";

import { useState } from "react";
import { plural } from "@/core/messages/parts";
import { sharedBy } from "@/core/edit/remember";
import { addRule } from "@/core/edit/rule-edits";
import type { SeatedItem } from "@/core/roster/roster";
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
  if (met.length === 0) return null;
  const noun = item.list === "mods" ? "file" : "record";
  const keep = (other: SeatedItem) => {
    const [earlier, later] = item.place < other.place ? [item, other] : [other, item];
    setStart({
      list: item.list,
      about: [later.id],
      rule: { kind: "after", item: later.id, other: earlier.id, strength: "prefer" },
    });
  };
  return (
    <Part title={`${plural(met.length, "conflict")}: the one that loads later wins`}>
      <ul className="space-y-1.5">
        {met.slice(0, mostListed).map(({ other, shared }) => (
          <li key={other.id}>
            {other.place < item.place ? "Wins over " : "Loses to "}
            <ItemName id={other.id} /> in {plural(shared, noun)}.{" "}
            <Button small look="quiet" className="!h-5 !px-1" onClick={() => keep(other)}>
              Remember as a rule…
            </Button>
          </li>
        ))}
        {met.length > mostListed && <li className="text-ink3">and {met.length - mostListed} more</li>}
      </ul>
      <RuleDialog
        start={start}
        onClose={() => setStart(null)}
        onStore={(rule) => editor.dispatch(addRule(rule))}
      />
    </Part>
  );
}
