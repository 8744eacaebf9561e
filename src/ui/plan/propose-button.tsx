"use client";

import { Button } from "../kit/button";
import { useWorkspace } from "../workspace/workspace.client";

/** Asks for a proposal; while it is computed, the same button gives it up. */
export function ProposeButton() {
  const { propose, proposing, stopProposing } = useWorkspace();
  if (proposing) return <Button onClick={stopProposing}>Computing… give it up</Button>;
  return (
    <Button look="main" onClick={() => void propose()}>
      Propose an order
    </Button>
  );
}
