"use client";

import { say } from "@/core/language/say";
import { rich } from "../kit/rich";
import { useCallback } from "react";
import { chainText } from "@/core/messages/reasons";
import { ruleText } from "@/core/messages/rules";
import type { OrderRule } from "@/core/model/problem";
import { changeRule, switchRule } from "@/core/edit/rule-edits";
import { askForContradictions } from "../../work/ask";
import { Button } from "../kit/button";
import { LevelMark } from "../kit/level";
import { Say } from "../kit/sentence";
import { useAnswer } from "../workspace/use-answer";
import { tellingOf } from "../workspace/telling";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** Rules that cannot be kept: the circle that each would close, and the ways out, the cheapest first. */
export function Contradictions({ onChoose }: { onChoose: (id: string) => void }) {
  const { editor } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const { game, stock } = useEditor((state) => state.view);
  const { profile, overlaps } = roster;
  const question = useCallback(
    () => askForContradictions(game, stock, { profile, overlaps }),
    [game, stock, profile, overlaps],
  );
  const { answer: found, isCurrent, fault } = useAnswer(question);
  const { rules } = profile.state;
  if (fault)
    return <p className="text-brick px-4 py-2">{say("rules.contradictionsCouldNotBeComputed", { fault })}</p>;
  if (!found || found.length === 0) return null;
  const weaken = (rule: (typeof rules)[number]) => {
    const weak = { ...rule.rule, strength: "prefer" } as OrderRule;
    editor.dispatch(changeRule({ ...rule, rule: weak }));
  };
  return (
    <ul
      aria-label={say("rules.rulesThatContradict")}
      aria-busy={!isCurrent}
      className="border-line bg-saffron-soft max-h-56 overflow-auto border-b"
    >
      {found.map(({ list, rule: refused, circle, waysOut }, at) => (
        <li key={at} className="border-line flex gap-2.5 border-b px-4 py-2 last:border-b-0">
          <span className="pt-0.5">
            <LevelMark level="problem" label={say("common.problem")} />
          </span>
          <div>
            <p>
              <b>{say("rules.cannotHold")}</b>
              <Say parts={[...ruleText(refused), "."]} />
              {circle.links.length > 0 && (
                <>{rich("rules.for", { say: <Say parts={chainText(circle, tellingOf(roster, list))} /> })}</>
              )}
            </p>
            <p className="mt-1 flex flex-wrap items-center gap-2">
              {waysOut.map((way) => {
                const rule = rules.find((each) => each.id === way.rule);
                if (!rule) return null;
                const cost = `${say("common.moves", { moves: way.moves })}${way.setAside > 0 ? say("rules.setAside", { setAside: way.setAside }) : ""}`;
                return (
                  <Button
                    key={`${way.how} ${way.rule}`}
                    small
                    onMouseEnter={() => onChoose(rule.id)}
                    onFocus={() => onChoose(rule.id)}
                    onClick={() =>
                      way.how === "drop" ? editor.dispatch(switchRule(rule, false)) : weaken(rule)
                    }
                  >
                    <span>
                      {way.how === "drop" ? say("rules.switchOff") : say("rules.onlyPrefer")}
                      <Say parts={ruleText(rule.rule)} seats /> ({cost})
                    </span>
                  </Button>
                );
              })}
            </p>
          </div>
        </li>
      ))}
    </ul>
  );
}
