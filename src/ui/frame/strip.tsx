"use client";

import { say } from "@/core/language/say";
import { rich } from "../kit/rich";
import { countByLevel } from "@/core/check/run-checks";
import { modsOn, placesUsed } from "@/core/roster/roster";
import { BlendMark } from "../blend/blend-standing";
import { Gauge } from "../kit/gauge";
import { LevelCounts } from "../kit/level";
import { FollowedMark } from "../lineups/follow/followed-mark";
import { OrderFileButton } from "../order-file/order-file-button";
import { useStanding } from "../order-file/standing";
import { QueueMark } from "../depot/queue-mark";
import { RunningMark } from "../trial/running-mark";
import { NotStored } from "./not-stored";
import { isStoring } from "../workspace/editor-state";
import { Later, useEditor } from "../workspace/workspace.client";
import { ViewLink } from "../workspace/view-link";

/** The bottom line: numbers, places used, findings, and whether the game reads this order. */
export function Strip() {
  const state = useEditor((all) => all);
  const { roster, findings, checked, view, trouble } = state;
  const counts = countByLevel(findings);
  const { standing, words } = useStanding();
  const on = modsOn(roster);
  return (
    <footer className="border-line bg-surface flex min-h-[30px] shrink-0 flex-wrap items-center gap-x-4 overflow-hidden border-t px-3 text-sm whitespace-nowrap md:h-[30px] md:flex-nowrap">
      <span className="text-ink2">
        {rich("common.of", { name: <b className="text-ink font-mono">{on}</b> })}
        {rich("frame.modsOn", { text: <span className="font-mono">{view.stock.shelf.length}</span> })}
      </span>
      {placesUsed(roster).map(({ counting, used }) => (
        <Gauge key={counting.id} label={counting.label} used={used} cap={counting.cap} />
      ))}
      <ViewLink href="/health" className="hover:bg-sunk flex h-6 items-center gap-3 rounded px-1">
        {!checked && <span className="text-ink2">{say("common.checking")}</span>}
        {checked && <LevelCounts counts={counts} />}
      </ViewLink>
      <Later>
        <FollowedMark />
      </Later>
      <QueueMark />
      <RunningMark />
      <BlendMark />
      <span className="text-ink2 ml-auto truncate" aria-live="polite">
        {isStoring(state) && !trouble ? say("frame.storing") : words}
      </span>
      <NotStored />
      {standing !== "current" && <OrderFileButton small />}
    </footer>
  );
}
