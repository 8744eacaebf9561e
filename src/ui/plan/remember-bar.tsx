"use client";

import { useMemo, useState } from "react";
import { ruleTextOf } from "@/core/messages/rules";
import type { ListName } from "@/core/model/profile";
import type { Edit } from "@/core/model/edit";
import type { OrderRule } from "@/core/model/problem";
import { addRule } from "@/core/edit/rule-edits";
import { rulesToRemember } from "@/core/edit/remember";
import { Button } from "../kit/button";
import { ItemName, Say } from "../kit/sentence";
import { newRule } from "../rules/new-rule";
import { RuleDialog, type RuleStart } from "../rules/rule-dialog";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** The items that an edit has moved by hand, and in which list. */
export function movedBy(edit: Edit | null): { readonly list: ListName; readonly ids: readonly string[] } {
  const step = edit?.label.id === "move" ? edit.steps[0] : undefined;
  return step?.kind === "put"
    ? { list: step.list, ids: step.entries.map((entry) => entry.id) }
    : { list: "plugins", ids: [] };
}

/** After a move by hand: what of it shall be remembered, so that no proposal undoes it. */
export function RememberBar() {
  const { editor } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const recent = useEditor((state) => state.recent);
  const [start, setStart] = useState<RuleStart | null>(null);
  const { list, ids: moved } = useMemo(() => movedBy(recent), [recent]);
  const offered = useMemo(() => rulesToRemember(roster, list, moved), [roster, list, moved]);
  const remember = (rule: OrderRule) => editor.dispatch(addRule(newRule(list, rule)));
  return (
    <>
      {moved.length > 0 && (
        <div
          role="region"
          aria-label="Remember the move"
          className="border-line bg-sunk flex shrink-0 flex-wrap items-center gap-2 border-t px-3 py-1.5"
        >
          <span className="font-semibold">
            Remember of {moved.length === 1 ? <ItemName id={moved[0]!} /> : `these ${moved.length}`}:
          </span>
          {offered.map((rule, at) => (
            <Button key={at} small onClick={() => remember(rule)}>
              <span>
                <Say parts={ruleTextOf(rule)} />
              </span>
            </Button>
          ))}
          <Button small look="quiet" onClick={() => setStart({ list, about: moved })}>
            Another rule…
          </Button>
          <Button small look="quiet" className="ml-auto" onClick={() => editor.forgetRecent()}>
            No
          </Button>
        </div>
      )}
      <RuleDialog
        start={start}
        onClose={() => setStart(null)}
        onStore={(rule) => editor.dispatch(addRule(rule))}
      />
    </>
  );
}
