"use client";

import { useCallback, useEffect, useState } from "react";
import { shortFingerprint } from "@/core/lineup/fingerprint";
import type { VersionListed } from "@/server/operations/lineups";
import { Button } from "../../kit/button";
import { listVersions, publishVersion } from "../../workspace/server";
import { useEditor, useWorkspace } from "../../workspace/workspace.client";
import type { SheetState } from "./use-sheet";

/** The versions of the list, each with what it changed; the changes go out with the list. */
export function Versions({ stored }: Pick<SheetState, "stored">) {
  const { editor, unwrap } = useWorkspace();
  const profile = useEditor((state) => state.profile.id);
  const [held, setHeld] = useState<{ of: string; versions: readonly VersionListed[] } | null>(null);
  const read = useCallback(async () => {
    const versions = unwrap(await listVersions(profile));
    if (versions) setHeld({ of: profile, versions });
  }, [profile, unwrap]);
  useEffect(() => {
    let wanted = true;
    void listVersions(profile).then((outcome) => {
      if (wanted && outcome.ok) setHeld({ of: profile, versions: outcome.value });
    });
    return () => {
      wanted = false;
    };
  }, [profile]);
  const publish = async () => {
    await Promise.all([stored(), editor.settled()]);
    unwrap(await publishVersion(profile));
    await read();
  };
  const versions = held?.of === profile ? held.versions : [];
  return (
    <section aria-labelledby="versions" className="space-y-2">
      <h3 id="versions" className="font-bold">
        Versions
      </h3>
      <Button small onClick={() => void publish()}>
        Note this as a version
      </Button>
      {versions.length === 0 && (
        <p className="text-ink2 text-sm">
          None yet. What changes from one to the next is told by itself, here and in the list.
        </p>
      )}
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
