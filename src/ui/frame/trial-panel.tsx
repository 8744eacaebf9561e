"use client";

import { X } from "lucide-react";
import { useEffect, useRef } from "react";
import { Button } from "../kit/button";
import { LevelMark } from "../kit/level";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** The start log of the stand-in game, over the strip. */
export function TrialPanel() {
  const { trial } = useWorkspace();
  const game = useEditor((state) => state.view.game);
  const log = useRef<HTMLOListElement>(null);
  useEffect(() => {
    if (log.current) log.current.scrollTop = log.current.scrollHeight;
  }, [trial.lines, trial.state]);
  if (!trial.open) return <div className="col-span-2" />;
  return (
    <section aria-label="Trial" className="border-line bg-surface col-span-2 h-56 border-t">
      <header className="border-line flex h-9 items-center gap-3 border-b px-3">
        <h2 className="font-bold">Trial of {game.name}</h2>
        <TrialWord state={trial.state} />
        <span className="text-ink3 text-sm">
          A stand-in game reads {game.orderFile.path} and its mods from the disk.
        </span>
        <div className="ml-auto flex gap-1">
          <Button small onClick={() => void trial.start()}>
            Start again
          </Button>
          <Button small look="quiet" onClick={trial.close} aria-label="Close the trial" className="w-6 !px-0">
            <X size={14} aria-hidden />
          </Button>
        </div>
      </header>
      <ol
        ref={log}
        tabIndex={0}
        aria-label="Start log"
        className="h-[calc(100%-36px)] overflow-auto px-3 py-1.5 font-mono text-sm"
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

function TrialWord({ state }: { state: "under way" | "running" | "stopped" }) {
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
