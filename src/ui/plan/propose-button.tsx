"use client";

import { Button } from "../kit/button";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** Asks for a proposal; while it is computed, the same button gives it up. */
export function ProposeButton() {
  const { propose, proposing, stopProposing } = useWorkspace();
  const lens = useEditor((state) => state.lens);
  if (proposing) return <Button onClick={stopProposing}>Computing… give it up</Button>;
  return (
    <Button look="main" onClick={() => void propose({ list: lens, how: "propose" })}>
      Propose an order
    </Button>
  );
}
