"use client";

import { useMemo } from "react";
import { isOfProfile } from "@/core/check/about";
import { groupFindings, type FindingGroup } from "@/core/check/group-findings";
import { say } from "@/core/language/say";
import { sayGroup } from "@/core/messages/finding-groups";
import { sayFinding, sayFix } from "@/core/messages/findings";
import { useFix } from "../findings/use-fix";
import { Button } from "../kit/button";
import { LevelMark, levelWord } from "../kit/level";
import { Say } from "../kit/sentence";
import { useEditor } from "../workspace/workspace.client";
import { TextLink } from "../workspace/view-link";

/** "Can I play?": what stands in the way first, and what to do about it; or that nothing does. */
export function NextAct() {
  const findings = useEditor((state) => state.findings);
  const checked = useEditor((state) => state.checked);
  const groups = useMemo(() => groupFindings(findings), [findings]);
  const roster = useEditor((state) => state.roster);
  const first = groups.find(
    ({ level, findings: own }) => level !== "hint" && own.some((finding) => isOfProfile(roster, finding)),
  );
  if (!checked) return <p className="text-ink2">{say("common.checking")}</p>;
  const isStopped = first?.level === "blocker";
  return (
    <section
      aria-label={say("overview.canIPlay")}
      className="bg-sunk border-line space-y-1.5 rounded-md border p-3"
    >
      <h2 className="flex items-center gap-2 text-lg font-bold">
        {first && <LevelMark level={first.level} size={14} label={levelWord(first.level)} />}
        {say(isStopped ? "overview.notYet" : first ? "overview.withProblems" : "overview.itCanBeStarted")}
      </h2>
      {first && <Act group={first} />}
      <p>
        <TextLink href="/health">
          {say("overview.allFindings", { count: findings.length, causes: groups.length })}
        </TextLink>
      </p>
    </section>
  );
}

function Act({ group }: { group: FindingGroup }) {
  const { run, dialogs } = useFix();
  const [finding] = group.findings;
  const [fix] = group.fixes;
  return (
    <div className="flex flex-wrap items-center gap-3">
      <p className="min-w-0 grow basis-72">
        <Say parts={sayGroup(group) ?? sayFinding(finding!)} />
      </p>
      {fix && (
        <Button onClick={() => run(fix)}>
          <Say parts={sayFix(fix)} />
        </Button>
      )}
      {dialogs}
    </div>
  );
}
