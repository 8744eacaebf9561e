"use client";

import { Equal, EqualNot } from "lucide-react";
import { useMemo } from "react";
import { shortFingerprint } from "@/core/lineup/fingerprint";
import { differenceEffect, differenceText, titlesFrom } from "@/core/messages/differences";
import { plural } from "@/core/messages/parts";
import { LongList } from "../../kit/long-list";
import { useEditor } from "../../workspace/workspace.client";
import { useProof, type Followed } from "./use-followed";

/** The proof: equal fingerprints, or exactly what differs and what that may do. */
export function Proof({ followed }: { followed: Followed }) {
  const { lineup } = followed;
  const { here, differences, setups } = useProof(followed);
  const { game, stock } = useEditor((state) => state.view);
  const titleOf = useMemo(
    () => titlesFrom([...game.expansions, ...stock.shelf, ...lineup.mods]),
    [game, stock, lineup],
  );
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
        <LongList
          label="Differences from the lineup"
          rows={differences}
          keyOf={({ facet, kind, key }) => `${facet} ${kind} ${key}`}
          rowHeight={48}
          rowLook="flex flex-col justify-center"
        >
          {(difference) => (
            <>
              <span className="truncate">{differenceText(difference, { ...setups, titleOf })}</span>
              <span className="text-ink2 truncate text-sm">{differenceEffect(difference)}</span>
            </>
          )}
        </LongList>
      )}
    </div>
  );
}
