"use client";

import { CircleDashed, Equal, EqualNot, FilePenLine, Hourglass, type LucideIcon } from "lucide-react";
import { useMemo } from "react";
import { factsHere, factsOfLineup, fingerprintOf, shortFingerprint } from "@/core/lineup/fingerprint";
import type { Verdict } from "@/core/lineup/verdict";
import { differenceEffect, differenceText, titlesFrom } from "@/core/messages/differences";
import { unsaidText, verdictReasons, verdictText, verdictTitle } from "@/core/messages/verdict";
import { LongList } from "../../kit/long-list";
import { useEditor } from "../../workspace/workspace.client";
import { useVerdict, type Followed } from "./use-followed";

const looks: Readonly<Record<Verdict["kind"], readonly [LucideIcon, back: string, ink: string]>> = {
  exact: [Equal, "bg-pine-soft", "text-pine"],
  "as-far": [CircleDashed, "bg-sunk", "text-ink2"],
  differs: [EqualNot, "bg-saffron-soft", "text-saffron"],
  "not-yet": [Hourglass, "bg-saffron-soft", "text-saffron"],
  altered: [FilePenLine, "bg-saffron-soft", "text-saffron"],
};

/** The verdict on the list that the profile follows: what it is, why, and each thing that stands in its way. */
export function Proof({ followed }: { followed: Followed }) {
  const { claim } = followed;
  const verdict = useVerdict(followed);
  const here = useEditor((state) => state.roster);
  const fingerprint = useMemo(() => fingerprintOf(factsHere(here)), [here]);
  const [Icon, back, ink] = looks[verdict.kind];
  return (
    <div className="space-y-3">
      <div role="status" className={`flex gap-3 rounded-md p-3 ${back}`}>
        <Icon size={22} aria-hidden className={`shrink-0 ${ink}`} />
        <div>
          <p className="text-lg font-bold">{verdictTitle(verdict)}</p>
          <dl className="mt-1 grid grid-cols-[90px_1fr] gap-y-0.5">
            <dt className="text-ink2">Its author’s</dt>
            <dd className="font-mono">
              {claim.fingerprint === null ? (
                <span className="text-ink2 font-sans">the list carries no fingerprint</span>
              ) : (
                shortFingerprint(claim.fingerprint)
              )}
            </dd>
            <dt className="text-ink2">Here</dt>
            <dd className="font-mono">{shortFingerprint(fingerprint)}</dd>
          </dl>
          <p className="mt-2">{verdictText(verdict, claim)}</p>
          <Reasons verdict={verdict} />
        </div>
      </div>
      {verdict.kind === "differs" && verdict.differences.length > 0 && (
        <DifferenceList followed={followed} differences={verdict.differences} />
      )}
    </div>
  );
}

/** What the sentence above it introduces, one by one. */
function Reasons({ verdict }: { verdict: Verdict }) {
  const roster = useEditor((state) => state.roster);
  const all = verdictReasons(verdict, (part) => unsaidText(part, roster));
  if (all.length === 0) return null;
  return (
    <ul className="mt-1 max-h-64 list-disc overflow-auto pl-5">
      {all.map((reason, at) => (
        <li key={at}>{reason}</li>
      ))}
    </ul>
  );
}

function DifferenceList({
  followed: { lineup },
  differences,
}: {
  followed: Followed;
  differences: Extract<Verdict, { kind: "differs" }>["differences"];
}) {
  const { game, stock } = useEditor((state) => state.view);
  const roster = useEditor((state) => state.roster);
  const setups = useMemo(
    () => ({ wanted: factsOfLineup(lineup), here: factsHere(roster) }),
    [lineup, roster],
  );
  const titleOf = useMemo(
    () => titlesFrom([...game.expansions, ...stock.shelf, ...lineup.mods]),
    [game, stock, lineup],
  );
  return (
    <LongList
      label="Differences from the list"
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
  );
}
