"use client";

import { itemAbout } from "@/core/check/about";
import { say } from "@/core/language/say";
import type { Finding } from "@/core/model/finding";
import { Button } from "../kit/button";
import { useGo } from "../workspace/use-go";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** To the first item of a finding that the profile holds. */
export function ShowItem({ finding }: { finding: Finding }) {
  const { editor } = useWorkspace();
  const go = useGo();
  const roster = useEditor((state) => state.roster);
  const subject = itemAbout(roster, finding);
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
