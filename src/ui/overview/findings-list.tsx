"use client";

import { say } from "@/core/language/say";
import { useMemo, useState } from "react";
import { findingTitle, sayFinding } from "@/core/messages/findings";
import { wantsOf } from "@/core/depot/offers";
import { groupFindings, type FindingGroup } from "@/core/check/group-findings";
import { sayGroup } from "@/core/messages/finding-groups";
import type { Finding, Fix } from "@/core/model/finding";
import { FixButton } from "../findings/fix-button";
import { GetMissing } from "../depot/get-missing";
import { Button } from "../kit/button";
import { LevelMark, levelWord } from "../kit/level";
import { Say } from "../kit/sentence";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { useGo } from "../workspace/use-go";

const mostAtFirst = 60;

/** What the checks saw, the gravest first, what has one cause together, each with what can be done about it. */
export function FindingsList() {
  const findings = useEditor((state) => state.findings);
  const checked = useEditor((state) => state.checked);
  const groups = useMemo(() => groupFindings(findings), [findings]);
  const [all, setAll] = useState(false);
  if (!checked) return <p className="text-ink2 py-3">{say("common.checking")}</p>;
  if (findings.length === 0)
    return <p className="text-ink2 py-3">{say("overview.nothingIsTheMatterEveryNeed")}</p>;
  const shown = all ? groups : groups.slice(0, mostAtFirst);
  return (
    <>
      <GetAll findings={findings} />
      <ul className="border-line border-t">
        {shown.map((group) => (
          <GroupRow key={group.key} group={group} />
        ))}
      </ul>
      {shown.length < groups.length && (
        <Button look="quiet" small onClick={() => setAll(true)} className="mt-2">
          {say("overview.showMore", { count: groups.length - shown.length })}
        </Button>
      )}
    </>
  );
}

/** Everything that is missing, where it is more than one thing. */
function GetAll({ findings }: { findings: readonly Finding[] }) {
  const wants = useMemo(() => wantsOf(findings), [findings]);
  if (wants.length < 2) return null;
  return (
    <p className="flex items-center gap-3 py-2">
      <span>{say("overview.thingsAreMissingHere", { count: wants.length })}</span>
      <GetMissing wants={wants} />
    </p>
  );
}

/** One finding, or several of one cause or kind, which unfold to single ones. */
function GroupRow({ group }: { group: FindingGroup }) {
  const { findings, level, fixes, wants } = group;
  const [isOpen, open] = useState(false);
  const [first] = findings;
  const said = sayGroup(group);
  const isOne = findings.length === 1;
  return (
    <li className="border-line border-b py-2">
      <div className="flex flex-wrap items-start gap-x-2.5 gap-y-1.5 sm:flex-nowrap">
        <span className="pt-0.5">
          <LevelMark level={level} label={levelWord(level)} size={13} />
        </span>
        <div className="min-w-0 grow basis-56">
          <p className="font-bold">
            {findingTitle[first!.id]}
            {!isOne && <span className="text-ink2 font-mono text-sm font-normal"> × {findings.length}</span>}
          </p>
          {(isOne || said) && (
            <p className="text-ink2">
              <Say parts={said ?? sayFinding(first!)} />
            </p>
          )}
        </div>
        <div className="flex flex-wrap justify-end gap-1.5 max-sm:ml-6 sm:max-w-[60%]">
          {wants.length > 0 && <GetMissing wants={wants} />}
          {fixes.map((fix, at) => (
            <FixButton key={at} fix={fix} />
          ))}
          {isOne ? (
            <ShowItem finding={first!} />
          ) : (
            <Button
              small
              look="quiet"
              aria-expanded={isOpen}
              aria-label={`${isOpen ? say("overview.foldThem") : say("overview.showAll", { count: findings.length })}: ${findingTitle[first!.id]}`}
              onClick={() => open(!isOpen)}
            >
              {isOpen ? say("overview.foldThem") : say("overview.showAll", { count: findings.length })}
            </Button>
          )}
        </div>
      </div>
      {isOpen && (
        <ul className="border-line mt-1.5 ml-1.5 border-l-2 pl-4">
          {findings.map((finding, at) => (
            <OneOfMany key={at} finding={finding} shared={fixes} />
          ))}
        </ul>
      )}
    </li>
  );
}

/** What ends it alone stands beside it; what ends all of them stands above. */
function OneOfMany({ finding, shared }: { finding: Finding; shared: readonly Fix[] }) {
  const own = finding.fixes.filter(
    ({ does }) => !shared.some((fix) => JSON.stringify(fix.does) === JSON.stringify(does)),
  );
  return (
    <li className="flex items-start gap-2.5 py-1 [contain-intrinsic-size:auto_32px] [content-visibility:auto]">
      <p className="text-ink2 min-w-0 grow">
        <Say parts={sayFinding(finding)} />
      </p>
      <div className="flex shrink-0 flex-wrap justify-end gap-1.5">
        {own.map((fix, at) => (
          <FixButton key={at} fix={fix} />
        ))}
        <ShowItem finding={finding} />
      </div>
    </li>
  );
}

/** To the first item of it that the profile holds. */
function ShowItem({ finding }: { finding: Finding }) {
  const { editor } = useWorkspace();
  const go = useGo();
  const roster = useEditor((state) => state.roster);
  const subject = finding.subjects.find(({ list, id }) => roster.lists[list].itemOf.has(id));
  if (!subject) return null;
  const show = () => {
    editor.select([subject.id], subject.id, subject.list);
    go("/plan");
  };
  return (
    <Button small look="quiet" onClick={show} title={say("overview.showItInThePlan")}>
      {say("overview.goToIt")}
    </Button>
  );
}
