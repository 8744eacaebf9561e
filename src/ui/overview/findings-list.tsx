"use client";

import { useMemo, useState } from "react";
import { findingTitle, sayFinding, sayFix } from "@/core/messages/findings";
import { plural } from "@/core/messages/parts";
import { wantsOf } from "@/core/depot/offers";
import { newerVersions, type VersionChange } from "@/core/edit/versions";
import { fixEdit, isEditing } from "@/core/check/fix-edit";
import type { Finding, Fix } from "@/core/model/finding";
import { GetMissing } from "../depot/get-missing";
import { Button } from "../kit/button";
import { LevelMark, levelWords } from "../kit/level";
import { Say } from "../kit/sentence";
import { VersionsDialog } from "../versions/versions-dialog";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { useGo } from "../workspace/use-go";

const mostAtFirst = 60;

/** What the checks saw, the gravest first, each with what can be done about it. */
export function FindingsList() {
  const findings = useEditor((state) => state.findings);
  const checked = useEditor((state) => state.checked);
  const [all, setAll] = useState(false);
  if (!checked) return <p className="text-ink2 py-3">Checking…</p>;
  if (findings.length === 0)
    return (
      <p className="text-ink2 py-3">
        Nothing is the matter: every need is met, and the game reads this order.
      </p>
    );
  const shown = all ? findings : findings.slice(0, mostAtFirst);
  return (
    <>
      <GetAll findings={findings} />
      <ul className="border-line border-t">
        {shown.map((finding, at) => (
          <FindingRow
            key={`${finding.id} ${finding.subjects.map((each) => each.id).join()} ${at}`}
            finding={finding}
          />
        ))}
      </ul>
      {shown.length < findings.length && (
        <Button look="quiet" small onClick={() => setAll(true)} className="mt-2">
          Show {findings.length - shown.length} more
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
      <span>{plural(wants.length, "thing")} are missing here.</span>
      <GetMissing wants={wants} />
    </p>
  );
}

function FindingRow({ finding }: { finding: Finding }) {
  const { editor } = useWorkspace();
  const go = useGo();
  const subject = finding.subjects.find(({ list, id }) =>
    editor.getState().roster.lists[list].itemOf.has(id),
  );
  const show = () => {
    editor.select([subject!.id], subject!.id, subject!.list);
    go("/plan");
  };
  return (
    <li className="border-line flex items-start gap-2.5 border-b py-2">
      <span className="pt-0.5">
        <LevelMark level={finding.level} label={levelWords[finding.level].one} size={13} />
      </span>
      <div className="min-w-0 grow">
        <p className="font-bold">{findingTitle[finding.id]}</p>
        <p className="text-ink2">
          <Say parts={sayFinding(finding)} />
        </p>
      </div>
      <div className="flex shrink-0 justify-end gap-1.5">
        {finding.wants && <GetMissing wants={finding.wants} />}
        {finding.fixes.map((fix, at) => (
          <FixButton key={at} fix={fix} />
        ))}
        {subject && (
          <Button small look="quiet" onClick={show} title="Show it in the plan">
            Show
          </Button>
        )}
      </div>
    </li>
  );
}

function FixButton({ fix }: { fix: Fix }) {
  const { editor, propose, orderFile } = useWorkspace();
  const [versions, setVersions] = useState<readonly VersionChange[]>([]);
  const run = () => {
    const { does } = fix;
    if (isEditing(does)) {
      const edit = fixEdit(editor.getState().roster, does);
      return void (edit && editor.dispatch(edit));
    }
    switch (does.act) {
      case "write-order":
        return void orderFile.write();
      case "look-at-order":
        return void orderFile.look();
      case "versions":
        return setVersions(newerVersions(editor.getState().roster));
      default:
        return void propose({ list: does.list, how: does.act });
    }
  };
  return (
    <>
      <Button small onClick={run}>
        <span className="whitespace-pre">
          <Say parts={sayFix(fix)} seats />
        </span>
      </Button>
      <VersionsDialog open={versions.length > 0} onClose={() => setVersions([])} changes={versions} />
    </>
  );
}
