import { say } from "@/core/language/say";
import { useEffect, useRef, useState } from "react";
import { groupFindings } from "@/core/check/group-findings";
import { sayGroup } from "@/core/messages/finding-groups";
import { sayFinding } from "@/core/messages/findings";
import { useBlendDue } from "../blend/blend-standing";
import { Term } from "../kit/term";
import { Button } from "../kit/button";
import { Empty } from "../kit/empty";
import { LevelMark } from "../kit/level";
import { Say } from "../kit/sentence";
import { TextLink } from "../workspace/view-link";
import { useStanding } from "../order-file/standing";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { Conditions } from "./conditions";
import { ConfirmWay } from "./confirm-way";
import { StartNotesButton } from "./start-notes-dialog";
import { StartNotesPane } from "./start-notes-pane";
import { TrialQuestion } from "./trial-question";
import { TrialWord } from "./trial-word";
import { VerdictQuestion } from "./verdict";
import { WaysDialog } from "./ways-dialog";

/** The start of the game: what it says, and how it was. */
export function TrialTab() {
  const { trial } = useWorkspace();
  const game = useEditor((state) => state.view.game);
  const { standing } = useStanding();
  // What was asked answers itself where the order is written elsewhere.
  const isDue = useBlendDue();
  const isAsked = trial.state === "asked" && (standing !== "current" || isDue);
  const [isChoosing, choose] = useState(false);
  const [isFile, showFile] = useState(false);
  const fileLog = (trial.state === "ended" && trial.trial?.fileLog) || [];
  const lines = isFile && fileLog.length > 0 ? fileLog : trial.lines;
  const log = useRef<HTMLOListElement>(null);
  useEffect(() => {
    if (log.current) log.current.scrollTop = log.current.scrollHeight;
  }, [lines, trial.state]);
  return (
    <section aria-label={say("frame.trial")} className="flex min-h-0 grow flex-col overflow-auto">
      <header className="flex min-h-9 shrink-0 flex-wrap items-center gap-x-3 px-3">
        <h2 className="font-bold">
          <Term word="trial">{say("frame.trialOf", { name: game.name })}</Term>
        </h2>
        <TrialWord {...trial} />
        <span className="text-ink3 text-sm">
          {trial.trial && (trial.state === "running" || trial.state === "ended")
            ? trial.trial.way
            : say("trial.reads", { path: game.orderFile.path })}
        </span>
        <span className="ml-auto" />
        <StartNotesButton />
        <Button small look="quiet" onClick={() => choose(true)}>
          {say("trial.waysDots")}
        </Button>
        {fileLog.length > 0 && game.log && (
          <Button small look="quiet" aria-pressed={isFile} onClick={() => showFile(!isFile)}>
            {say("trial.gameLog", { path: game.log.path })}
          </Button>
        )}
        {trial.state === "ended" && (
          <Button small onClick={() => void trial.start()}>
            {say("frame.startAgain")}
          </Button>
        )}
        <WaysDialog open={isChoosing} onClose={() => choose(false)} />
      </header>
      <KnownBlockers />
      {trial.state === "confirm" && trial.waiting && (
        <ConfirmWay way={trial.waiting} onAnswer={() => log.current?.focus()} />
      )}
      {trial.state === "conditions" && trial.waiting && (
        <Conditions way={trial.waiting.id} onAnswer={() => log.current?.focus()} />
      )}
      {trial.state === "ended" && trial.trial && <VerdictQuestion key={trial.trial.id} />}
      {isAsked && <TrialQuestion onAnswer={() => log.current?.focus()} />}
      {trial.state === null && (
        <Empty purpose={say("frame.theStartLogComesHere")}>
          <Button onClick={() => void trial.start()}>{say("frame.startATrial")}</Button>
        </Empty>
      )}
      <div className="flex min-h-16 grow">
        <ol
          ref={log}
          tabIndex={0}
          aria-label={say("frame.startLog")}
          className="border-line min-h-0 grow overflow-auto border-t px-3 py-1.5 font-mono text-sm"
        >
          {lines.map((line, at) => (
            <li key={at} className={`whitespace-pre-wrap ${lineLook(line)}`}>
              <span className="text-ink3 mr-3 inline-block w-7 text-right">{at + 1}</span>
              {line}
            </li>
          ))}
        </ol>
        <StartNotesPane />
      </div>
    </section>
  );
}

const lineLook = (line: string): string => {
  if (line.startsWith("stopped:")) return "font-semibold text-brick bg-brick-soft";
  return line === "running" ? "font-semibold text-pine" : "text-ink2";
};

/** What is known beforehand of this profile; each says itself what follows, for the game may be started with another order. */
function KnownBlockers() {
  const findings = useEditor((state) => state.findings);
  const blockers = findings.filter(({ level }) => level === "blocker");
  const [first] = groupFindings(blockers);
  if (!first) return null;
  return (
    <p className="bg-brick-soft flex flex-wrap items-baseline gap-x-2 px-3 py-1">
      <LevelMark level="blocker" />
      <b>{say("frame.blockersAreKnownInThisProfile", { count: blockers.length })}</b>
      <span className="min-w-0">
        <Say parts={sayGroup(first) ?? sayFinding(first.findings[0]!)} />
      </span>
      <TextLink href="/health">
        {blockers.length === 1 ? say("frame.theWayOut") : say("frame.allOfThemAndWaysOut")}
      </TextLink>
    </p>
  );
}
