"use client";

import { say } from "@/core/language/say";
import { rich } from "../kit/rich";
import { useEffect, useMemo, useRef, useState } from "react";
import type { Sentence } from "@/core/messages/parts";
import { ruleTextOf } from "@/core/messages/rules";
import type { ListName } from "@/core/model/profile";
import type { Edit } from "@/core/model/edit";
import type { OrderRule } from "@/core/model/problem";
import { addRule } from "@/core/edit/rule-edits";
import { rulesToRemember } from "@/core/edit/remember";
import { Button, type ButtonLook } from "../kit/button";
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

interface Answer {
  /** The digit that gives it. */
  readonly key: string;
  readonly words: Sentence;
  readonly look: ButtonLook;
  readonly run: () => void;
}

const noAnswers: readonly Answer[] = [];

/** Wherever the focus is a digit answers, but where something is typed and in dialogs. */
function useAnswerKeys(answers: readonly Answer[]): void {
  const latest = useRef(answers);
  useEffect(() => void (latest.current = answers));
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const { target, key, altKey, ctrlKey, metaKey } = event;
      if (altKey || ctrlKey || metaKey || !(target instanceof Element)) return;
      if (
        target.matches("input, textarea, [contenteditable]") ||
        target.closest("[role=dialog], [role=menu], [role=listbox]")
      )
        return;
      const answer = latest.current.find((each) => each.key === key);
      if (!answer) return;
      event.preventDefault();
      event.stopPropagation();
      answer.run();
    };
    // Before a list takes the digit for the begin of a name.
    window.addEventListener("keydown", onKey, { capture: true });
    return () => window.removeEventListener("keydown", onKey, { capture: true });
  }, []);
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
  const answers: readonly Answer[] = [
    ...offered.map((rule, at) => ({
      key: String(at + 1),
      words: ruleTextOf(rule),
      look: "plain" as const,
      run: () => remember(rule),
    })),
    {
      key: String(offered.length + 1),
      words: [say("plan.anotherRule")],
      look: "quiet",
      run: () => setStart({ list, about: moved }),
    },
    { key: "0", words: [say("plan.no")], look: "quiet", run: () => editor.forgetRecent() },
  ];
  useAnswerKeys(moved.length > 0 && start === null ? answers : noAnswers);
  return (
    <>
      {moved.length > 0 && (
        <div
          role="region"
          aria-label={say("plan.rememberTheMove")}
          className="border-line bg-sunk flex shrink-0 flex-wrap items-center gap-2 border-t px-3 py-1.5"
        >
          <span className="font-semibold">
            {rich("plan.rememberOf", {
              rest:
                moved.length === 1 ? <ItemName id={moved[0]!} /> : say("plan.these", { count: moved.length }),
            })}
          </span>
          {answers.map(({ key, words, look, run }) => (
            <Button
              key={key}
              small
              look={look}
              aria-keyshortcuts={key}
              className={key === "0" ? "ml-auto" : ""}
              onClick={run}
            >
              <kbd aria-hidden className="text-ink2 font-mono">
                {key}
              </kbd>
              <span>
                <Say parts={words} />
              </span>
            </Button>
          ))}
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
