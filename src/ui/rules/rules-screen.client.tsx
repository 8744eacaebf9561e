"use client";

import { say } from "@/core/language/say";
import { rich } from "../kit/rich";
import { useDeferredValue, useMemo, useState } from "react";
import { plainText } from "@/core/messages/parts";
import { seatAndTitle } from "@/core/roster/roster";
import { ruleText, standingText, strengthText } from "@/core/messages/rules";
import { listOfRule, type Rule } from "@/core/model/profile";
import { addRule, changeRule, preferBroader, switchRule } from "@/core/edit/rule-edits";
import { idleRules, ruleStandings, type RuleStanding } from "@/core/roster/rules";
import { Empty } from "../kit/empty";
import { TextLink } from "../workspace/view-link";
import { Term } from "../kit/term";
import { Button } from "../kit/button";
import { inputLook } from "../kit/field";
import { InspectorButton, useInspecting, WithInspector } from "../kit/panes/inspector";
import { Say } from "../kit/sentence";
import { Toggle } from "../kit/toggle";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { Contradictions } from "./contradictions";
import { ExportBookDialog } from "./export-book-dialog";
import { SectionRules } from "./section-rules";
import { Rulebooks } from "./rulebooks";
import { RuleDialog, type RuleStart } from "./rule-dialog";
import { RuleInspector } from "./rule-inspector";

/** Everything that the curator has told Seating about the order, and how it stands. */
export function RulesScreen() {
  const { editor } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const ties = useEditor((state) => state.ties);
  const lens = useEditor((state) => state.lens);
  const [text, setText] = useState("");
  const wanted = useDeferredValue(text.trim().toLowerCase());
  const [chosen, setChosen] = useState<string | null>(null);
  const [start, setStart] = useState<RuleStart | null>(null);
  const [exporting, setExporting] = useState(false);
  const inspecting = useInspecting();
  const { rules } = roster.profile.state;
  const standings = useMemo(() => ruleStandings(roster, ties), [roster, ties]);
  const idle = useMemo(() => idleRules(roster, ties), [roster, ties]);
  const shown = useMemo(
    () => rules.filter((rule) => searchable(rule, (id) => seatAndTitle(roster, id)).includes(wanted)),
    [rules, roster, wanted],
  );
  const rule = rules.find((each) => each.id === chosen);
  const store = (next: Rule) => {
    const isKnown = rules.some((each) => each.id === next.id);
    editor.dispatch(isKnown ? changeRule(next) : addRule(next));
    setChosen(next.id);
  };
  return (
    <div className="flex h-full flex-col">
      <header className="border-line flex min-h-11 shrink-0 flex-wrap items-center gap-y-1 py-1 gap-3 border-b px-3">
        <h1 className="text-lg font-bold">
          <Term word="rule">{say("common.rules")}</Term>
        </h1>
        <span className="text-ink2 font-mono">
          {shown.length < rules.length
            ? say("rules.of2", { count: shown.length, count2: rules.length })
            : rules.length}
        </span>
        <input
          value={text}
          onChange={(event) => setText(event.target.value)}
          placeholder={say("rules.searchInRulesAndReasons")}
          aria-label={say("rules.searchInRulesAndReasons")}
          className={`${inputLook} ml-2 !w-64`}
        />
        <div className="ml-auto flex gap-2">
          <Button
            look="quiet"
            disabled={!rules.some((each) => listOfRule(each) === "plugins")}
            onClick={() => setExporting(true)}
          >
            {say("rules.saveAsARulebook")}
          </Button>
          <Button look="main" onClick={() => setStart({ list: lens, about: [] })}>
            {say("rules.newRule")}
          </Button>
          <InspectorButton inspecting={inspecting} />
        </div>
      </header>
      <Contradictions onChoose={setChosen} />
      <WithInspector
        inspecting={inspecting}
        label={say("rules.aboutTheRule")}
        inspector={
          <div tabIndex={0} className="min-h-0 grow overflow-auto p-3.5">
            {rule ? (
              <RuleInspector
                key={rule.id}
                rule={rule}
                standing={standings.get(rule.id)!}
                idle={idle.has(rule.id)}
                onChange={() => setStart(rule)}
              />
            ) : (
              <p className="text-ink2">{say("rules.chooseARuleToSeeWhat")}</p>
            )}
          </div>
        }
      >
        <div className="min-h-0 min-w-0 grow overflow-auto">
          <ul aria-label={say("common.rules")}>
            {shown.map((each) => (
              <RuleRow
                key={each.id}
                rule={each}
                standing={standings.get(each.id)!}
                idle={idle.has(each.id)}
                chosen={each.id === chosen}
                onChoose={() => setChosen(each.id)}
                onSwitch={(on) => editor.dispatch(switchRule(each, on))}
              />
            ))}
          </ul>
          {rules.length === 0 && (
            <Empty
              purpose={rich("rules.noRulesYetDragARow", {
                text: <span className="font-mono text-sm">{say("rules.c4AfterB2Because")}</span>,
              })}
            >
              <TextLink href="/plan">{say("common.goToThePlan")}</TextLink>
            </Empty>
          )}
          {rules.length > 0 && shown.length === 0 && (
            <p className="text-ink2 px-4 py-6">{say("rules.noRuleSays", { text })}</p>
          )}
          <SectionRules />
          {roster.game.lists.includes("plugins") && (
            <Breadth
              on={roster.profile.state.broaderFirst !== false}
              onTurn={(on) => editor.dispatch(preferBroader(on))}
            />
          )}
          <Rulebooks />
        </div>
      </WithInspector>
      <ExportBookDialog open={exporting} onClose={() => setExporting(false)} />
      <RuleDialog start={start} onClose={() => setStart(null)} onStore={store} />
    </div>
  );
}

function searchable(rule: Rule, nameOf: (id: string) => string): string {
  const said = plainText(ruleText(rule.rule), nameOf);
  return `${said} ${rule.note} ${strengthText(rule)}`.toLowerCase();
}

const toneOf: Record<RuleStanding, string> = {
  holds: "text-pine",
  broken: "text-brick font-semibold",
  "set-aside": "text-saffron font-semibold",
  absent: "text-ink3",
  off: "text-ink3",
};

function RuleRow({
  rule,
  standing,
  idle,
  chosen,
  onChoose,
  onSwitch,
}: {
  rule: Rule;
  standing: RuleStanding;
  idle: boolean;
  chosen: boolean;
  onChoose: () => void;
  onSwitch: (on: boolean) => void;
}) {
  const words = plainText(ruleText(rule.rule));
  return (
    <li
      className={`border-line flex items-center gap-2 border-b pl-3 [contain-intrinsic-size:auto_46px] [content-visibility:auto] ${chosen ? "bg-pine-soft" : "bg-surface"}`}
    >
      <Toggle
        on={!rule.off}
        label={`${words}: ${rule.off ? say("common.off") : say("common.on")}`}
        onClick={() => onSwitch(rule.off === true)}
      />
      <button
        type="button"
        aria-pressed={chosen}
        onClick={onChoose}
        className="flex min-h-11 min-w-0 grow flex-wrap items-center gap-x-3 px-1 py-1.5 pr-3 text-left"
      >
        <span className="min-w-0 grow basis-48">
          <span className={`block ${rule.off ? "text-ink3" : ""}`}>
            <Say parts={ruleText(rule.rule)} />
          </span>
          {rule.note && (
            <span className="text-ink2 block truncate text-sm">
              {say("rules.because2", { note: rule.note })}
            </span>
          )}
        </span>
        {listOfRule(rule) === "mods" && (
          <span className="text-ink2 shrink-0 text-sm">{say("common.mods2")}</span>
        )}
        {rule.shared && <span className="text-ink2 shrink-0 text-sm">{say("rules.allProfiles")}</span>}
        <span className="text-ink2 w-28 shrink-0 text-sm">{strengthText(rule)}</span>
        <span className={`w-24 shrink-0 text-sm ${toneOf[standing]}`}>
          {standingText[standing]}
          {idle && standing === "holds" && (
            <span className="text-ink3 block">{say("rules.saysNothingNew")}</span>
          )}
        </span>
      </button>
    </li>
  );
}

/** The one preference that Seating brings of its own. */
function Breadth({ on, onTurn }: { on: boolean; onTurn: (on: boolean) => void }) {
  return (
    <div className="flex items-center gap-2 px-3 py-3">
      <Toggle
        on={on}
        label={say("rules.theBroaderLoadsEarlier", { on: String(on) })}
        onClick={() => onTurn(!on)}
      />
      <p className="text-ink2">
        {rich("rules.aFaintPreferenceWeight01", {
          name: <b className="text-ink">{say("rules.theBroaderOfTwoThatChange")}</b>,
        })}
      </p>
    </div>
  );
}
