"use client";

import { say } from "@/core/language/say";
import { FaultNote } from "@/ui/kit/floor";

/** A view that the server could not make. */
export default function ViewFault({
  error,
  reset,
}: {
  error: Error & { digest?: string };
  reset: () => void;
}) {
  return <FaultNote what={say("common.thisView")} error={error} onAgain={reset} />;
}
