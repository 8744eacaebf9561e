"use client";

import { say } from "@/core/language/say";
import { useEffect, useState } from "react";
import { shortFingerprint } from "@/core/lineup/fingerprint";
import type { VersionListed } from "@/server/operations/lineups";
import { Button } from "../../kit/button";
import { listVersions } from "../../workspace/server";
import { useEditor } from "../../workspace/workspace.client";
import type { Numbering } from "./use-numbering";

/** The versions of the list, each with what it changed; the changes go out with the list. */
export function Versions({ note, noted }: Pick<Numbering, "note" | "noted">) {
  const profile = useEditor((state) => state.profile.id);
  const [held, setHeld] = useState<{ of: string; versions: readonly VersionListed[] } | null>(null);
  useEffect(() => {
    let wanted = true;
    void listVersions(profile).then((outcome) => {
      if (wanted && outcome.ok) setHeld({ of: profile, versions: outcome.value });
    });
    return () => {
      wanted = false;
    };
  }, [profile, noted]);
  const versions = held?.of === profile ? held.versions : [];
  return (
    <section aria-labelledby="versions" className="space-y-2">
      <h3 id="versions" className="font-bold">
        {say("common.versions")}
      </h3>
      <Button small onClick={() => void note(true)}>
        {say("lineups.publishAsAVersion")}
      </Button>
      {versions.length === 0 && <p className="text-ink2 text-sm">{say("lineups.noneYetWhatGoesOutUnder")}</p>}
      <ol>
        {versions.map(({ version, at, fingerprint, changes }) => (
          <li key={version} className="border-line border-t py-1.5">
            <p className="flex items-baseline gap-2">
              <span className="font-semibold">{version}</span>
              <span className="text-ink2 text-sm">{at.slice(0, 10)}</span>
              <span className="text-ink2 ml-auto font-mono text-sm">
                {shortFingerprint(fingerprint ?? "")}
              </span>
            </p>
            <p className="text-ink2 text-sm whitespace-pre-line">{changes}</p>
          </li>
        ))}
      </ol>
    </section>
  );
}
