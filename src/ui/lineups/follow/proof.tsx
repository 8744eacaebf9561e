"use client";

import { Equal, EqualNot } from "lucide-react";
import { shortFingerprint } from "@/core/lineup/fingerprint";
import { differenceText } from "@/core/messages/differences";
import { plural } from "@/core/messages/parts";
import type { Followed } from "./use-followed";

/** The proof: equal fingerprints, or exactly what differs and what that may do. */
export function Proof({ followed: { lineup, here, differences } }: { followed: Followed }) {
  const equal = lineup.fingerprint === here;
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
            {equal ? "Reproduced exactly" : `Not the same setup: ${plural(differences.length, "difference")}`}
          </p>
          <dl className="mt-1 grid grid-cols-[90px_1fr] gap-y-0.5">
            <dt className="text-ink2">Lineup</dt>
            <dd className="font-mono">{shortFingerprint(lineup.fingerprint)}</dd>
            <dt className="text-ink2">Here</dt>
            <dd className="font-mono">{shortFingerprint(here)}</dd>
          </dl>
        </div>
      </div>
      {!equal && (
        <ul className="border-line max-h-80 overflow-auto border-t">
          {differences.map((difference, at) => (
            <li key={at} className="border-line border-b py-1">
              {differenceText(difference)}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
