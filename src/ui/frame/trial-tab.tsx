import { say } from "@/core/language/say";
import { useEffect, useRef } from "react";
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
import type { TrialState } from "../workspace/use-trial";
import { useStanding } from "../order-file/standing";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { TrialQuestion } from "./trial-question";

/** The start log of the stand-in game. */
export function TrialTab() {
  const { trial } = useWorkspace();
  const game = useEditor((state) => state.view.game);
  const { standing } = useStanding();
  // What was asked answers itself where the order is written elsewhere.
  const isDue = useBlendDue();
  const isAsked = trial.state === "asked" && (standing !== "current" || isDue);
  const log = useRef<HTMLOListElement>(null);
  useEffect(() => {
    if (log.current) log.current.scrollTop = log.current.scrollHeight;
  }, [trial.lines, trial.state]);
  return (
    <section aria-label={say("frame.trial")} className="flex min-h-0 grow flex-col">
      <header className="flex min-h-9 shrink-0 flex-wrap items-center gap-x-3 px-3">
        <h2 className="font-bold">
          <Term word="trial">{say("frame.trialOf", { name: game.name })}</Term>
        </h2>
        {trial.state && <TrialWord state={trial.state} />}
        <span className="text-ink3 text-sm">
          {say("frame.aStandInGameReadsAnd", { path: game.orderFile.path })}
        </span>
        {!isAsked && trial.state !== null && (
          <Button small className="ml-auto" onClick={() => void trial.start()}>
            {trial.state && trial.state !== "asked" ? say("frame.startAgain") : say("frame.startATrial")}
          </Button>
        )}
      </header>
      <KnownBlockers />
      {isAsked && <TrialQuestion onAnswer={() => log.current?.focus()} />}
      {trial.state === null && (
        <Empty purpose={say("frame.theStartLogComesHere")}>
          <Button onClick={() => void trial.start()}>{say("frame.startATrial")}</Button>
        </Empty>
      )}
      <ol
        ref={log}
        tabIndex={0}
        aria-label={say("frame.startLog")}
        className="border-line min-h-0 grow overflow-auto border-t px-3 py-1.5 font-mono text-sm"
      >
        {trial.lines.map((line, at) => (
          <li key={at} className={`whitespace-pre-wrap ${lineLook(line)}`}>
            <span className="text-ink3 mr-3 inline-block w-7 text-right">{at + 1}</span>
            {line}
          </li>
        ))}
      </ol>
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

function TrialWord({ state }: { state: NonNullable<TrialState["state"]> }) {
  const words = {
    asked: say("frame.notStartedYet"),
    "under way": say("frame.starting"),
    running: say("frame.running"),
    stopped: say("frame.stoppedAtStart"),
  };
  return (
    <span
      role="status"
      className={`flex items-center gap-1.5 font-semibold ${state === "stopped" ? "text-brick" : state === "asked" ? "text-ink2" : "text-pine"}`}
    >
      {state === "stopped" && <LevelMark level="blocker" />}
      {words[state]}
    </span>
  );
}
