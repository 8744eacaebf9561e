"use client";

import { useDeferredValue, useMemo, useState } from "react";
import { plainText } from "@/core/messages/parts";
import { seatAndTitle } from "@/core/roster/roster";
import { ruleText, standingText, strengthText } from "@/core/messages/rules";
import { listOfRule, type Rule } from "@/core/model/profile";
import { addRule, changeRule, preferBroader, switchRule } from "@/core/edit/rule-edits";
import { idleRules, ruleStandings, type RuleStanding } from "@/core/roster/rules";
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
        <h1 className="text-lg font-bold">Rules</h1>
        <span className="text-ink2 font-mono">
          {shown.length < rules.length ? `${shown.length} of ${rules.length}` : rules.length}
        </span>
        <input
          value={text}
          onChange={(event) => setText(event.target.value)}
          placeholder="Search in rules and reasons"
          aria-label="Search in rules and reasons"
          className={`${inputLook} ml-2 !w-64`}
        />
        <div className="ml-auto flex gap-2">
          <Button
            look="quiet"
            disabled={!rules.some((each) => listOfRule(each) === "plugins")}
            onClick={() => setExporting(true)}
          >
            Save as a rulebook…
          </Button>
          <Button look="main" onClick={() => setStart({ list: lens, about: [] })}>
            New rule…
          </Button>
          <InspectorButton inspecting={inspecting} />
        </div>
      </header>
      <Contradictions onChoose={setChosen} />
      <WithInspector
        inspecting={inspecting}
        label="About the rule"
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
              <p className="text-ink2">
                Choose a rule to see what it does. Of two rules that cannot both hold, a must goes before a
                prefer, the heavier before the lighter, and the one listed first before the next.
              </p>
            )}
          </div>
        }
      >
        <div className="min-h-0 min-w-0 grow overflow-auto">
          <ul aria-label="Rules">
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
            <p className="text-ink2 px-4 py-6">
              No rules yet. Drag a row in the plan and choose what to remember of it, or type a sentence into
              the field at the top: <span className="font-mono text-sm">C4 after B2 because …</span>
            </p>
          )}
          {rules.length > 0 && shown.length === 0 && (
            <p className="text-ink2 px-4 py-6">No rule says “{text}”.</p>
          )}
          <SectionRules />
          {roster.game.lists.includes("plugins") && (
            <Breadth
              on={roster.profile.state.broaderFirst !== false}
              onTurn={(on) => editor.dispatch(preferBroader(on))}
            />
          )}
          {roster.game.lists.includes("plugins") && <Rulebooks />}
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
        label={`${words}: ${rule.off ? "off" : "on"}`}
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
          {rule.note && <span className="text-ink2 block truncate text-sm">because {rule.note}</span>}
        </span>
        {listOfRule(rule) === "mods" && <span className="text-ink2 shrink-0 text-sm">mods</span>}
        {rule.shared && <span className="text-ink2 shrink-0 text-sm">all profiles</span>}
        <span className="text-ink2 w-28 shrink-0 text-sm">{strengthText(rule)}</span>
        <span className={`w-24 shrink-0 text-sm ${toneOf[standing]}`}>
          {standingText[standing]}
          {idle && standing === "holds" && <span className="text-ink3 block">says nothing new</span>}
        </span>
      </button>
    </li>
  );
}

/** The one preference that Seating brings of its own. */
function Breadth({ on, onTurn }: { on: boolean; onTurn: (on: boolean) => void }) {
  return (
    <div className="flex items-center gap-2 px-3 py-3">
      <Toggle on={on} label={`The broader loads earlier: ${on ? "on" : "off"}`} onClick={() => onTurn(!on)} />
      <p className="text-ink2">
        <b className="text-ink">The broader of two that change the same records loads earlier.</b> A faint
        preference (weight 0.1), and only for plugins that nobody has placed yet.
      </p>
    </div>
  );
}
