"use client";

import { say } from "@/core/language/say";
import { versionText } from "@/core/version/version";
import type { ShelfMod } from "@/core/model/shelf";
import { counterparts } from "@/core/roster/counterparts";
import type { SeatedItem } from "@/core/roster/roster";
import { Button } from "../kit/button";
import { PageLink } from "../kit/page-link";
import { Part } from "../kit/part";
import { ItemName } from "../kit/sentence";
import { formatSize } from "../kit/format-size";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { FilesOfMod } from "./files-of-mod";

/** What belongs to an item in the other order, with a way there. */
export function Counterparts({ item }: { item: SeatedItem }) {
  const { editor } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const there = item.list === "mods" ? "plugins" : "mods";
  const ids = counterparts(roster, there, [item.id]);
  if (ids.length === 0) return null;
  return (
    <Part title={there === "plugins" ? say("common.itsPlugins") : say("plan.itsMod")}>
      <ul className="space-y-1">
        {ids.map((id) => (
          <li key={id} className="flex items-baseline gap-2">
            <span className="grow break-words">
              <ItemName id={id} />
            </span>
            <Button small look="quiet" onClick={() => editor.select([id], id, there)}>
              {say("plan.show")}
            </Button>
          </li>
        ))}
      </ul>
    </Part>
  );
}

/** Where a mod lies, from what page it comes, and the files that it brings. */
export function ModFacts({ mod }: { mod: ShelfMod }) {
  const page = mod.manifest?.page;
  return (
    <Part title={say("plan.onTheShelf2", { name: mod.name })}>
      <dl className="grid grid-cols-[4rem_minmax(0,1fr)] gap-y-1">
        <dt className="text-ink3">{say("common.version")}</dt>
        <dd className="font-mono text-sm">{versionText(mod.version) || say("common.none")}</dd>
        <dt className="text-ink3">{say("common.size")}</dt>
        <dd>{formatSize(mod.size)}</dd>
        {page && <dt className="text-ink3">{say("common.page")}</dt>}
        {page && (
          <dd>
            <PageLink page={page} />
          </dd>
        )}
      </dl>
      <FilesOfMod mod={mod} />
    </Part>
  );
}
