"use client";

import { useMemo } from "react";
import { wantsOf } from "@/core/depot/offers";
import { say } from "@/core/language/say";
import { GetMissing } from "../depot/get-missing";
import { useEditor } from "../workspace/workspace.client";

/** Everything that is missing, where it is more than one thing. */
export function GetAll() {
  const findings = useEditor((state) => state.findings);
  const wants = useMemo(() => wantsOf(findings), [findings]);
  if (wants.length < 2) return null;
  return (
    <p className="border-line flex shrink-0 items-center gap-3 border-b px-3 py-1.5">
      <span>{say("overview.thingsAreMissingHere", { count: wants.length })}</span>
      <GetMissing wants={wants} />
    </p>
  );
}
