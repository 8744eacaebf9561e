"use client";

import { useMemo } from "react";
import { say } from "@/core/language/say";
import { needGraph } from "@/core/needs/need-graph";
import { surroundingsOf } from "@/core/needs/surroundings";
import { needsOfKey } from "../health/health-address";
import { Part } from "../kit/part";
import { TextLink } from "../workspace/view-link";
import { useEditor } from "../workspace/workspace.client";
import { StandingMark } from "./node-look";

const mostListed = 8;

/** What needs something, directly or through others, the nearest first, and the way to all that hangs on it. */
export function NeededBy({ of }: { of: string }) {
  const roster = useEditor((state) => state.roster);
  const around = useMemo(() => surroundingsOf(needGraph(roster), of), [roster, of]);
  if (!around || around.needed + around.needing === 0) return null;
  const needing = around.nodes
    .filter(({ role }) => role === "needing" || role === "both")
    .slice(0, mostListed);
  return (
    <Part title={say("needs.neededBy", { count: around.needing })}>
      <ul className="space-y-1">
        {needing.map((node) => (
          <li key={node.key} className="flex items-center gap-1.5">
            <StandingMark standing={node.standing} />
            <span className={`break-words ${node.kind === "plugin" ? "font-mono text-sm" : ""}`}>
              {node.title}
            </span>
          </li>
        ))}
        {around.needing > needing.length && (
          <li className="text-ink3">{say("common.andMore", { count: around.needing - needing.length })}</li>
        )}
      </ul>
      <p className="mt-1 text-sm">
        <TextLink href={needsOfKey(of)}>{say("needs.whatNeedsWhat")}</TextLink>
      </p>
    </Part>
  );
}
