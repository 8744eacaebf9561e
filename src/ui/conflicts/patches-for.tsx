"use client";

import { useMemo } from "react";
import { say } from "@/core/language/say";
import { patchesFor } from "@/core/conflict/patches";
import { switchMods } from "@/core/edit/edits";
import { newestById } from "@/core/roster/roster";
import { GetFiles } from "../depot/get-missing";
import { useDepot } from "../depot/depot.client";
import { Button } from "../kit/button";
import { Part } from "../kit/part";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** A record cannot be left out: what else there is, and who has made something for the two. */
export function PatchesFor({ plugins }: { plugins: readonly [string, string] }) {
  const { editor } = useWorkspace();
  const { mods: offered } = useDepot();
  const roster = useEditor((state) => state.roster);
  const { here, there } = useMemo(() => {
    const [one, other] = plugins.map((plugin) => ({
      plugin,
      mod: roster.pluginOf.get(plugin)?.mod?.id ?? "",
    }));
    const shelf = newestById(roster.stock.shelf);
    const missing = (offered ?? []).filter(({ mod }) => !shelf.has(mod.id));
    const made = patchesFor(
      missing.map(({ mod }) => mod),
      [one!, other!],
    );
    return {
      here: patchesFor([...shelf.values()], [one!, other!]),
      there: missing.filter(({ mod }) => made.includes(mod)),
    };
  }, [roster, plugins, offered]);
  return (
    <Part title={say("conflicts.recordWaysOut")}>
      <p className="text-ink2">{say("conflicts.recordWaysOutHint")}</p>
      {here.length + there.length === 0 && <p>{say("conflicts.noPatch")}</p>}
      <ul aria-label={say("conflicts.madeForBoth")} className="mt-1 space-y-1">
        {here.map((mod) => (
          <li key={mod.id} className="flex flex-wrap items-baseline gap-2">
            <span className="font-semibold">{mod.name}</span>
            {roster.modOf.get(mod.id)?.loads ? (
              <span className="text-ink2">{say("conflicts.isOn")}</span>
            ) : (
              <Button
                small
                onClick={() => {
                  const edit = switchMods(editor.getState().roster, [mod], true);
                  if (edit) editor.dispatch(edit);
                }}
              >
                {say("conflicts.switchOn")}
              </Button>
            )}
          </li>
        ))}
        {there.map((file) => (
          <li key={file.mod.id} className="flex flex-wrap items-baseline gap-2">
            <span className="font-semibold">{file.mod.name}</span>
            <GetFiles small files={[file]}>
              {say("conflicts.getFromDepot")}
            </GetFiles>
          </li>
        ))}
      </ul>
    </Part>
  );
}
