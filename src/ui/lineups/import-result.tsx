"use client";

import { Equal, EqualNot } from "lucide-react";
import { shortFingerprint } from "@/core/lineup/fingerprint";
import { differenceText } from "@/core/messages/differences";
import { plural } from "@/core/messages/parts";
import type { Imported, ImportPlan } from "@/server/operations/lineups";
import { Button } from "../kit/button";

/** The proof: equal fingerprints, or exactly what differs. */
export function ImportResult({
  plan,
  imported,
  onDone,
}: {
  plan: ImportPlan;
  imported: Imported;
  onDone: () => void;
}) {
  const equal = imported.wanted === imported.here;
  const Icon = equal ? Equal : EqualNot;
  return (
    <div className="space-y-3">
      <div
        role="status"
        className={`flex gap-3 rounded-md p-3 ${equal ? "bg-pine-soft" : "bg-saffron-soft"}`}
      >
        <Icon size={22} aria-hidden className={equal ? "text-pine" : "text-saffron"} />
        <div>
          <p className="text-lg font-bold">
            {equal
              ? "Reproduced exactly"
              : `Not the same setup: ${plural(imported.differences.length, "difference")}`}
          </p>
          <dl className="mt-1 grid grid-cols-[90px_1fr] gap-y-0.5">
            <dt className="text-ink2">Lineup</dt>
            <dd className="font-mono">{shortFingerprint(imported.wanted)}</dd>
            <dt className="text-ink2">Here</dt>
            <dd className="font-mono">{shortFingerprint(imported.here)}</dd>
          </dl>
        </div>
      </div>
      {!equal && (
        <ul className="border-line max-h-80 overflow-auto border-t">
          {imported.differences.map((difference, at) => (
            <li key={at} className="border-line border-b py-1">
              {differenceText(difference)}
            </li>
          ))}
        </ul>
      )}
      <p className="text-ink2">
        “{plan.title}” is a profile now, and the one that you work on. The order file is written when you say
        so.
      </p>
      <Button onClick={onDone}>Import another</Button>
    </div>
  );
}
