import { useEffect, useRef } from "react";
import { Button } from "../kit/button";
import { LevelMark } from "../kit/level";
import type { TrialState } from "../workspace/use-trial";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** The start log of the stand-in game. */
export function TrialTab() {
  const { trial } = useWorkspace();
  const game = useEditor((state) => state.view.game);
  const log = useRef<HTMLOListElement>(null);
  useEffect(() => {
    if (log.current) log.current.scrollTop = log.current.scrollHeight;
  }, [trial.lines, trial.state]);
  return (
    <section aria-label="Trial" className="flex min-h-0 grow flex-col">
      <header className="flex min-h-9 shrink-0 flex-wrap items-center gap-x-3 px-3">
        <h2 className="font-bold">Trial of {game.name}</h2>
        {trial.state && <TrialWord state={trial.state} />}
        <span className="text-ink3 text-sm">
          A stand-in game reads {game.orderFile.path} and its mods from the disk.
        </span>
        <Button small className="ml-auto" onClick={() => void trial.start()}>
          {trial.state ? "Start again" : "Start a trial"}
        </Button>
      </header>
      <ol
        ref={log}
        tabIndex={0}
        aria-label="Start log"
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

function TrialWord({ state }: { state: NonNullable<TrialState["state"]> }) {
  const words = { "under way": "starting…", running: "running", stopped: "stopped at start" };
  return (
    <span
      role="status"
      className={`flex items-center gap-1.5 font-semibold ${state === "stopped" ? "text-brick" : "text-pine"}`}
    >
      {state === "stopped" && <LevelMark level="blocker" />}
      {words[state]}
    </span>
  );
}
