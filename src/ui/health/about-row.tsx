"use client";

import { useState, type FormEvent } from "react";
import { itemAbout } from "@/core/check/about";
import { asideOf } from "@/core/check/set-aside";
import { findingId } from "@/core/check/identity";
import type { WayOut } from "@/core/check/ways-out";
import { setAside, tellAgain } from "@/core/edit/set-aside";
import { say } from "@/core/language/say";
import { consequenceText, sourceText } from "@/core/messages/finding-facts";
import { findingTitle } from "@/core/messages/finding-titles";
import { sayFinding, sayFix } from "@/core/messages/findings";
import type { Finding, Fix } from "@/core/model/finding";
import { keyOfItem } from "@/core/needs/need-graph";
import { GetMissing } from "../depot/get-missing";
import { useFix } from "../findings/use-fix";
import { ShowItem } from "../findings/show-item";
import { Button } from "../kit/button";
import { Choice } from "../kit/choice";
import { Field } from "../kit/field";
import { LevelMark, levelWord } from "../kit/level";
import { day } from "../kit/moment";
import { Part } from "../kit/part";
import { Say } from "../kit/sentence";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import type { HealthRow } from "./health-rows";
import { useWays } from "./use-ways";
import { useIsNew, useNoted } from "./use-noted";

const mostListed = 30;

/** What is found, what comes of it, who says so, and what can be done about it. */
export function AboutRow({ row, onExplore }: { row: HealthRow; onExplore: (key: string) => void }) {
  const roster = useEditor((state) => state.roster);
  const [first] = row.findings;
  const kinds = [...new Map(row.findings.map((finding) => [finding.id, finding])).values()];
  return (
    <>
      <header>
        <p className="text-ink2 flex items-center gap-1.5 text-sm font-semibold">
          <LevelMark level={row.level} />
          {levelWord(row.level)}
        </p>
        <h2 className="text-lg font-bold break-words">{row.title}</h2>
        {row.findings.length === 1 && (
          <p className="mt-1">
            <Say parts={sayFinding(first!)} />
          </p>
        )}
        {row.reason !== null && (
          <p className="bg-sunk mt-2 rounded-md p-2">
            {row.reason === ""
              ? say("health.asideWithoutReason")
              : say("health.asideBecause", { reason: row.reason })}
          </p>
        )}
      </header>
      <Ways fixes={row.fixes} />
      {row.wants.length > 0 && (
        <Part title={say("health.notHere")}>
          <GetMissing wants={row.wants} />
        </Part>
      )}
      {row.findings.length > 1 && <Several findings={row.findings} shared={row.fixes} />}
      <Since findings={row.findings} />
      <Part title={say("health.ifNothingIsDone")}>
        {kinds.map((finding) => (
          <p key={finding.id}>{consequenceText(finding)}</p>
        ))}
      </Part>
      <Part title={say("health.whoSaysSo")}>
        {[...new Set(row.findings.map((finding) => sourceText(roster, finding)))].map((text) => (
          <p key={text} className="break-words">
            {text}
          </p>
        ))}
      </Part>
      <div className="flex flex-wrap gap-2">
        {row.findings.length === 1 && <ShowItem finding={first!} />}
        <Explore finding={first!} onExplore={onExplore} />
        <Aside row={row} />
      </div>
    </>
  );
}

/** To what the first item of a finding that the profile holds needs, and what needs it. */
function Explore({ finding, onExplore }: { finding: Finding; onExplore: (key: string) => void }) {
  const roster = useEditor((state) => state.roster);
  const subject = itemAbout(roster, finding);
  if (!subject) return null;
  return (
    <Button small look="quiet" onClick={() => onExplore(keyOfItem(subject))}>
      {say("needs.whatNeedsWhat")}
    </Button>
  );
}

/** From when on the first of them is there; said once it is known. */
function Since({ findings }: { findings: readonly Finding[] }) {
  const roster = useEditor((state) => state.roster);
  const noted = useNoted();
  const isNew = useIsNew();
  const ids = new Set(findings.map((finding) => findingId(roster, finding)));
  const times = (noted?.seen ?? []).filter(({ finding }) => ids.has(finding)).map(({ since }) => since);
  const [first] = times.sort();
  if (first === undefined) return null;
  return (
    <Part title={say("health.since")}>
      <p>
        <time dateTime={first} suppressHydrationWarning>
          {day(first)}
        </time>
        {[...ids].some(isNew) && ` · ${say("health.newSinceItRan")}`}
      </p>
    </Part>
  );
}

/** Ways out, by number, each with what it would come to. */
function Ways({ fixes }: { fixes: readonly Fix[] }) {
  const { run, dialogs } = useFix();
  const ways = useWays(fixes);
  if (fixes.length === 0) return null;
  return (
    <Part title={say("health.waysOut")}>
      <ol className="space-y-2">
        {fixes.map((fix, at) => (
          <li key={at} className="flex gap-2">
            <span aria-hidden className="text-ink3 pt-1 font-mono text-sm">
              {at + 1}
            </span>
            <div className="min-w-0">
              <Button small onClick={() => run(fix)} className="max-w-full">
                <span className="truncate">
                  <Say parts={sayFix(fix)} />
                </span>
              </Button>
              {ways && <Outcome way={ways[at] ?? null} />}
            </div>
          </li>
        ))}
      </ol>
      {dialogs}
    </Part>
  );
}

/** What goes and comes by it. */
function Outcome({ way }: { way: WayOut | null }) {
  if (!way) return null;
  const { goes, comes } = way;
  const worst = comes.filter(({ level }) => level === "blocker");
  return (
    <div className="text-ink2 mt-0.5 text-sm">
      <p>
        {say("health.goes", { count: goes.length })}
        {comes.length > 0 && ` ${say("health.comes", { count: comes.length })}`}
      </p>
      {worst.map((finding, at) => (
        <p key={at} className="text-brick flex gap-1.5">
          <span className="pt-1">
            <LevelMark level="blocker" size={10} label={levelWord("blocker")} />
          </span>
          <span>
            {findingTitle(finding.id)}: <Say parts={sayFinding(finding)} />
          </span>
        </p>
      ))}
    </div>
  );
}

/** Each of several, with what ends it alone. */
function Several({ findings, shared }: { findings: readonly Finding[]; shared: readonly Fix[] }) {
  const { run, dialogs } = useFix();
  const isShared = new Set(shared.map(({ does }) => JSON.stringify(does)));
  return (
    <Part title={say("health.each", { count: findings.length })}>
      <ul className="space-y-2">
        {findings.slice(0, mostListed).map((finding, at) => (
          <li key={at}>
            <p>
              <Say parts={sayFinding(finding)} />
            </p>
            <div className="mt-0.5 flex flex-wrap gap-1.5">
              {finding.fixes
                .filter(({ does }) => !isShared.has(JSON.stringify(does)))
                .map((fix, place) => (
                  <Button key={place} small onClick={() => run(fix)}>
                    <Say parts={sayFix(fix)} seats />
                  </Button>
                ))}
              <ShowItem finding={finding} />
            </div>
          </li>
        ))}
        {findings.length > mostListed && (
          <li className="text-ink3">{say("common.andMore", { count: findings.length - mostListed })}</li>
        )}
      </ul>
      {dialogs}
    </Part>
  );
}

/** Sets the findings aside, with a reason, or tells them again. */
function Aside({ row }: { row: HealthRow }) {
  const { editor } = useWorkspace();
  const [isOpen, open] = useState(false);
  if (row.reason !== null) {
    const again = () => {
      const { roster } = editor.getState();
      editor.dispatch(tellAgain(row.findings.map((finding) => findingId(roster, finding))));
    };
    return (
      <Button small onClick={again}>
        {say("health.tellAgain")}
      </Button>
    );
  }
  if (!isOpen)
    return (
      <Button small look="quiet" onClick={() => open(true)}>
        {say("health.setAside")}
      </Button>
    );
  return <AsideForm row={row} onClose={() => open(false)} />;
}

function AsideForm({ row, onClose }: { row: HealthRow; onClose: () => void }) {
  const { editor } = useWorkspace();
  const [reason, setReason] = useState("");
  const [until, setUntil] = useState<"changed" | "never">("changed");
  const store = (event: FormEvent) => {
    event.preventDefault();
    const { roster } = editor.getState();
    const how = { reason: reason.trim(), until, at: new Date().toISOString() };
    editor.dispatch(setAside(row.findings.map((finding) => asideOf(roster, finding, how))));
  };
  return (
    <form onSubmit={store} className="border-line w-full space-y-2 rounded-md border p-2.5">
      <Field
        label={say("health.why")}
        hint={say("health.whyHint")}
        value={reason}
        maxLength={500}
        autoFocus
        onChange={(event) => setReason(event.target.value)}
      />
      <div>
        <Choice name="until" checked={until === "changed"} onChoose={() => setUntil("changed")}>
          {say("health.untilChanged")}
        </Choice>
        <Choice name="until" checked={until === "never"} onChoose={() => setUntil("never")}>
          {say("health.forGood")}
        </Choice>
      </div>
      <div className="flex justify-end gap-2">
        <Button small look="quiet" onClick={onClose}>
          {say("common.cancel")}
        </Button>
        <Button small type="submit">
          {say("health.setThemAside", { count: row.findings.length })}
        </Button>
      </div>
    </form>
  );
}
