"use client";

import { facetWord } from "@/core/messages/facets";
import { day } from "../kit/moment";
import { say } from "@/core/language/say";
import { rich } from "../kit/rich";
import { useCallback } from "react";
import { type Sentence } from "@/core/messages/parts";
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
          {say("rules.madeByYou", { strengthText: strengthText(rule) })}
          {rich("rules.ofThe", {
            time: (
              <time dateTime={rule.made} suppressHydrationWarning>
                {day(rule.made)}
              </time>
            ),
            listOfRule: facetWord(listOfRule(rule), "many"),
            shared: String(rule.shared),
          })}
        </p>
      </header>
      {rule.note && <Part title={say("rules.because")}>{rule.note}</Part>}
      <Part title={say("common.now")}>
        <p>
          {say("rules.it", { standing: sayStanding(standing) })}
          {idle && standing === "holds" && say("rules.otherTiesSayTheSameSo")}
        </p>
        {absent.length > 0 && (
          <p className="text-ink2 mt-1">
            {say("rules.notInThisProfile")}
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
        <Button onClick={onChange}>{say("common.change")}</Button>
        <Button look="danger" onClick={() => editor.dispatch(dropRule(rule))}>
          {say("rules.delete")}
        </Button>
      </div>
    </div>
  );
}

function sayStanding(standing: RuleStanding): string {
  if (standing === "holds") return say("rules.holdsInTheOrderAsIt");
  if (standing === "broken") return say("rules.isBrokenByTheOrderAs");
  if (standing === "set-aside") return say("rules.isSetAsideNoOrderCan");
  return standing === "off"
    ? say("rules.isOffAndDoesNothing")
    : say("rules.isItWaitsUntilAllAre", { standingText: standingText[standing] });
}

/** Computed in the worker when the rule is looked at, and again when the profile changes. */
function Effect({ rule }: { rule: Rule }) {
  const roster = useEditor((state) => state.roster);
  const view = useEditor((state) => state.view);
  const { game, stock } = view;
  const { profile, overlaps } = roster;
  const question = useCallback(
    () => askForRuleEffect(game, stock, { profile, overlaps }, rule.id),
    [game, stock, profile, overlaps, rule.id],
  );
  const { answer: effect, fault } = useAnswer(question);
  return (
    <Part title={say("rules.whatItChanges")}>
      {effect ? (
        <p>{effectText(effect, listOfRule(rule))}</p>
      ) : (
        <p className="text-ink3">
          {fault ? say("rules.itCouldNotBeComputed", { fault }) : say("rules.computing")}
        </p>
      )}
    </Part>
  );
}

function effectText(
  { moves, movesWithout, setAside, setAsideWithout }: RuleEffect,
  list: ListName,
): Sentence[number] & string {
  const move = (count: number) => say(`rules.effect.moves.${list}`, { count });
  const less = setAside - setAsideWithout;
  const aside = less > 0 ? say("rules.effect.aside", { less }) : "";
  return moves === movesWithout
    ? say("rules.effect.same", { moves: move(moves), aside })
    : say("rules.effect.other", { moves: move(moves), movesWithout: move(movesWithout), aside });
}
