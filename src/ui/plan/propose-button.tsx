"use client";

import { say } from "@/core/language/say";
import type { ListName } from "@/core/model/profile";
import { Button } from "../kit/button";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** Asks for a proposal of a list, or of the one that is looked at; while it is computed, the same button cancels it. */
export function ProposeButton({ of }: { of?: ListName | undefined }) {
  const { propose, proposing, stopProposing } = useWorkspace();
  const lens = useEditor((state) => state.lens);
  if (proposing) return <Button onClick={stopProposing}>{say("plan.computingCancel")}</Button>;
  return (
    <Button look="main" onClick={() => void propose({ list: of ?? lens, how: "propose" })}>
      {say("common.proposeAnOrder")}
    </Button>
  );
}
