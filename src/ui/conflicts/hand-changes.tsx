"use client";

import { useEffect, useId, useState } from "react";
import { say } from "@/core/language/say";
import type { HandSummary } from "@/core/conflict/hand-summary";
import type { ProfileState } from "@/core/model/profile";
import { Button } from "../kit/button";
import { rich } from "../kit/rich";
import { Holder } from "./holder";
import { useWorkspace } from "../workspace/workspace.client";

/** What would change hands if this were what the profile decides; the last answer stays until the next has come. Null: nothing is asked. */
export function useHandChanges(state: ProfileState | null): HandSummary | null {
  const { conflicts } = useWorkspace();
  const [summary, setSummary] = useState<HandSummary | null>(null);
  useEffect(() => {
    if (!state) return;
    let isWanted = true;
    void conflicts.preview(state).then((answer) => isWanted && answer && setSummary(answer));
    return () => {
      isWanted = false;
    };
  }, [state, conflicts]);
  return state && summary;
}

const mostTakers = 2;

/** How much changes hands, and who gains most of it. */
export function HandsSaid({ summary: { files, records, takers } }: { summary: HandSummary }) {
  const count = files + records;
  if (count === 0) return <>{say("conflicts.nothingChangesHands")}</>;
  const others = takers.slice(mostTakers).reduce((sum, each) => sum + each.count, 0);
  return (
    <>
      {say("conflicts.changeHands", { files, records, both: String(files > 0 && records > 0), count })}{" "}
      {takers.slice(0, mostTakers).map((taker, at) => (
        <span key={taker.id}>
          {at > 0 && ", "}
          {rich("conflicts.gains", { count: taker.count, item: <Holder id={taker.id} /> })}
        </span>
      ))}
      {others > 0 && say("conflicts.gainOthers", { count: others })}
    </>
  );
}

/** What changes hands, one a line. */
export function HandList({ summary: { first, files, records } }: { summary: HandSummary }) {
  const others = files + records - first.length;
  return (
    <ul
      aria-label={say("conflicts.whatChangesHands")}
      // Where it is longer than its room, it is scrolled by keyboard too.
      tabIndex={0}
      className="max-h-40 space-y-0.5 overflow-auto"
    >
      {first.map(({ kind, key, from, to }) => (
        <li key={`${kind} ${key}`}>
          {rich("conflicts.fromTo", {
            key: <span className="font-mono text-sm break-all">{key}</span>,
            from: <Holder id={from} />,
            to: <Holder id={to} />,
          })}
        </li>
      ))}
      {others > 0 && <li className="text-ink3">{say("common.andMore", { count: others })}</li>}
    </ul>
  );
}

/** What a change would make of files and records, said, and listed on demand. Nothing before it is known. */
export function HandChanges({ state, intro }: { state: ProfileState | null; intro?: string }) {
  const summary = useHandChanges(state);
  const [isOpen, open] = useState(false);
  const list = useId();
  if (!summary) return null;
  const isAny = summary.files + summary.records > 0;
  return (
    <div data-testid="hand-changes">
      <p>
        {intro && <span className="text-ink2">{intro} </span>}
        <HandsSaid summary={summary} />{" "}
        {isAny && (
          <Button
            small
            look="quiet"
            className="!h-6 !px-1"
            aria-expanded={isOpen}
            aria-controls={list}
            onClick={() => open(!isOpen)}
          >
            {isOpen ? say("conflicts.hideList") : say("conflicts.showList")}
          </Button>
        )}
      </p>
      <div id={list}>{isAny && isOpen && <HandList summary={summary} />}</div>
    </div>
  );
}
