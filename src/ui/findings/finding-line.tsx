"use client";

import { sayFinding } from "@/core/messages/findings";
import type { Finding } from "@/core/model/finding";
import { GetMissing } from "../depot/get-missing";
import { LevelMark, levelWord } from "../kit/level";
import { Say } from "../kit/sentence";

/** A finding where it is told beside its item, with what would end it if that is missing. */
export function FindingLine({ finding }: { finding: Finding }) {
  return (
    <div className="flex gap-2">
      <span className="pt-0.5">
        <LevelMark level={finding.level} label={levelWord(finding.level)} />
      </span>
      <div className="space-y-1.5">
        <p>
          <Say parts={sayFinding(finding)} />
        </p>
        {finding.wants && <GetMissing wants={finding.wants} />}
      </div>
    </div>
  );
}
