"use client";

import { say } from "@/core/language/say";
import { useMemo, useState } from "react";
import { otherVersions, type VersionChange } from "@/core/edit/versions";
import type { SeatedMod } from "@/core/roster/roster";
import { compareVersions, versionText } from "@/core/version/version";
import { Button } from "../kit/button";
import { Part } from "../kit/part";
import { markOwnWork } from "../workspace/server";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { VersionsDialog } from "./versions-dialog";

/** In which version the profile holds a mod, which others are here, and whether it follows its contents. */
export function VersionsOfMod({ item }: { item: SeatedMod }) {
  const roster = useEditor((state) => state.roster);
  const { unwrap, refresh, editor } = useWorkspace();
  const [changes, setChanges] = useState<readonly VersionChange[]>([]);
  const others = useMemo(() => otherVersions(roster, item), [roster, item]);
  const isOwn = roster.stock.ownWork.includes(item.id);
  const mark = async () => {
    unwrap(await editor.changedBy(() => markOwnWork(item.id, !isOwn)));
    refresh();
  };
  return (
    <Part title={say("common.version")}>
      <p className="flex min-h-6 items-baseline gap-2">
        <span className="grow font-mono text-sm">
          {item.mod ? versionText(item.mod.version) || say("common.none") : say("versions.notKnown")}
        </span>
        {item.gone ? (
          <span className="text-brick font-semibold">{say("common.notOnTheShelf")}</span>
        ) : (
          <span className="text-ink2 text-sm">{say("versions.heldByThisProfile")}</span>
        )}
      </p>
      <ul className="space-y-1">
        {others.map((to) => (
          <li key={to.path} className="flex min-h-6 items-baseline gap-2">
            <span className="grow font-mono text-sm">
              {versionText(to.version) || say("common.noVersion")}
            </span>
            <span className="text-ink2 text-sm">
              {item.mod && compareVersions(to.version, item.mod.version) > 0
                ? say("versions.newer")
                : say("versions.hereToo")}
            </span>
            <Button small look="quiet" onClick={() => setChanges([{ item, to }])}>
              {say("versions.take2", { versionText: versionText(to.version) || say("versions.it") })}
            </Button>
          </li>
        ))}
      </ul>
      <label className="mt-1 flex min-h-6 items-baseline gap-2">
        <input type="checkbox" checked={isOwn} onChange={() => void mark()} className="accent-pine" />
        {say("versions.myOwnWorkProfilesFollowIts")}
      </label>
      <VersionsDialog open={changes.length > 0} onClose={() => setChanges([])} changes={changes} />
    </Part>
  );
}
