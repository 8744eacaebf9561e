"use client";

import { format } from "date-fns";
import { useCallback } from "react";
import { plural, type Sentence } from "@/core/messages/parts";
import { ruleText, standingText, strengthText } from "@/core/messages/rules";
import { listOfRule, type ListName, type Rule } from "@/core/model/profile";
import { changeRule, dropRule } from "@/core/edit/rule-edits";
import { itemsOf } from "@/core/order/rule-items";
import type { RuleEffect, RuleStanding } from "@/core/roster/rules";
import { askForRuleEffect } from "../../work/ask";
import { CutDown } from "./cut-down";
import { Button } from "../kit/button";
import { Part } from "../kit/part";
import { ItemName, Say } from "../kit/sentence";
import { useAnswer } from "../workspace/use-answer";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** One rule: what it says, since when and why, how it stands, and what it does. */
export function RuleInspector({
  rule,
  standing,
  idle,
  onChange,
}: {
  rule: Rule;
  standing: RuleStanding;
  idle: boolean;
  onChange: () => void;
}) {
  const { editor } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const { rule: said } = rule;
  const absent = itemsOf(said).filter((id) => !roster.lists[listOfRule(rule)].itemOf.has(id));
  return (
    <div className="space-y-4">
      <header>
        <h2 className="text-lg font-bold">
          <Say parts={[...ruleText(rule.rule), "."]} />
        </h2>
        <p className="text-ink2 mt-0.5">
          {strengthText(rule)} · made by you,{" "}
          <time dateTime={rule.made} suppressHydrationWarning>
            {format(new Date(rule.made), "d MMM yyyy")}
          </time>{" "}
          · of the {listOfRule(rule)} · {rule.shared ? "in all profiles of this game" : "in this profile"}
        </p>
      </header>
      {rule.note && <Part title="Because">{rule.note}</Part>}
      <Part title="Now">
        <p>
          It {sayStanding(standing)}
          {idle && standing === "holds" && " Other ties say the same, so it changes nothing."}
        </p>
        {absent.length > 0 && (
          <p className="text-ink2 mt-1">
            Not in this profile:{" "}
            {absent.map((id) => (
              <ItemName key={id} id={id} />
            ))}
          </p>
        )}
      </Part>
      {said.kind === "together" && standing === "set-aside" && (
        <CutDown
          list={listOfRule(rule)}
          items={said.items}
          onCut={(items) => editor.dispatch(changeRule({ ...rule, rule: { ...said, items: [...items] } }))}
        />
      )}
      {standing !== "off" && standing !== "absent" && <Effect rule={rule} />}
      <div className="flex gap-2">
        <Button onClick={onChange}>Change…</Button>
        <Button look="danger" onClick={() => editor.dispatch(dropRule(rule))}>
          Delete
        </Button>
      </div>
    </div>
  );
}

function sayStanding(standing: RuleStanding): string {
  if (standing === "holds") return "holds in the order as it is.";
  if (standing === "broken") return "is broken by the order as it is; a proposal will mend that.";
  if (standing === "set-aside") return "is set aside: no order can keep it together with what is stronger.";
  return standing === "off"
    ? "is off and does nothing."
    : `is ${standingText[standing]}: it waits until all are.`;
}

/** Computed in the worker when the rule is looked at, and again when the profile changes. */
function Effect({ rule }: { rule: Rule }) {
  const roster = useEditor((state) => state.roster);
  const view = useEditor((state) => state.view);
  const { game, stock } = view;
  const { profile } = roster;
  const question = useCallback(
    () => askForRuleEffect(game, stock, profile, rule.id),
    [game, stock, profile, rule.id],
  );
  const { answer: effect, fault } = useAnswer(question);
  return (
    <Part title="What it changes">
      {effect ? (
        <p>{effectText(effect, listOfRule(rule))}</p>
      ) : (
        <p className="text-ink3">{fault ? `It could not be computed: ${fault}.` : "Computing…"}</p>
      )}
    </Part>
  );
}

function effectText(
  { moves, movesWithout, setAside, setAsideWithout }: RuleEffect,
  list: ListName,
): Sentence[number] & string {
  const noun = list === "mods" ? "mod" : "plugin";
  const move = (count: number) => plural(count, `${noun} moves`, `${noun}s move`);
  const less = setAside - setAsideWithout;
  const aside = less > 0 ? ` and ${plural(less, "rule")} less would be set aside` : "";
  return moves === movesWithout
    ? `With it a proposal moves as many as without it: ${move(moves)}${aside}.`
    : `With it ${move(moves)} in a proposal; without it ${move(movesWithout)}${aside}.`;
}
