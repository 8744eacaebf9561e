"use client";

import { FaultNote } from "@/ui/kit/floor";

/** A view that the server could not make. */
export default function ViewFault({
  error,
  reset,
}: {
  error: Error & { digest?: string };
  reset: () => void;
}) {
  return <FaultNote what="This view" error={error} onAgain={reset} />;
}
