"use client";

import { useState } from "react";
import { plural } from "@/core/messages/parts";
import type { ShelfMod } from "@/core/model/shelf";
import { counterparts } from "@/core/roster/counterparts";
import { leaveOutEdit } from "@/core/edit/leave-out";
import { foldName } from "@/core/roster/fold";
import { leavesOut } from "@/core/roster/left-out";
import type { SeatedItem, SeatedMod } from "@/core/roster/roster";
import { Button } from "../kit/button";
import { Part } from "../kit/part";
import { ItemName } from "../kit/sentence";
import { formatSize } from "../kit/format-size";
import { pathsOfContent } from "../workspace/server";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** What belongs to an item in the other order, with a way there. */
export function Counterparts({ item }: { item: SeatedItem }) {
  const { editor } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const there = item.list === "mods" ? "plugins" : "mods";
  const ids = counterparts(roster, there, [item.id]);
  if (ids.length === 0) return null;
  return (
    <Part title={there === "plugins" ? "Its plugins" : "Its mod"}>
      <ul className="space-y-1">
        {ids.map((id) => (
          <li key={id} className="flex items-baseline gap-2">
            <span className="grow break-words">
              <ItemName id={id} />
            </span>
            <Button small look="quiet" onClick={() => editor.select([id], id, there)}>
              Show
            </Button>
          </li>
        ))}
      </ul>
    </Part>
  );
}

const mostFiles = 200;

/** Where a mod lies, from what page it comes, and the files that it brings. */
export function ModFacts({ mod }: { mod: ShelfMod }) {
  const page = mod.manifest?.page;
  return (
    <Part title={`${mod.name} on the shelf`}>
      <dl className="grid grid-cols-[64px_minmax(0,1fr)] gap-y-1">
        <dt className="text-ink3">Version</dt>
        <dd className="font-mono text-sm">{mod.version}</dd>
        <dt className="text-ink3">Size</dt>
        <dd>{formatSize(mod.size)}</dd>
        {page && <dt className="text-ink3">Page</dt>}
        {page && (
          <dd className="break-all">
            {/^https?:\/\//.test(page) ? (
              <a href={page} target="_blank" rel="noreferrer" className="text-pine underline">
                {page}
              </a>
            ) : (
              <span className="font-mono text-sm">{page}</span>
            )}
          </dd>
        )}
      </dl>
      <Files mod={mod} />
    </Part>
  );
}

function Files({ mod }: { mod: ShelfMod }) {
  const { unwrap } = useWorkspace();
  const item = useEditor((state) => state.roster.modOf.get(mod.id));
  const [files, setFiles] = useState<readonly string[] | null>(null);
  const turn = async () => {
    if (files || mod.content === null) return setFiles(null);
    setFiles(unwrap(await pathsOfContent(mod.content)));
  };
  const left = item?.mod === mod ? item.leftOut.length : 0;
  return (
    <>
      <Button
        small
        look="quiet"
        className="mt-1 -ml-2"
        aria-expanded={files !== null}
        onClick={() => void turn()}
      >
        {files ? "Hide its files" : `Show its ${plural(mod.files, "file")}`}
        {left > 0 && `, ${left} left out`}
      </Button>
      {files && (
        <ul aria-label={`Files of ${mod.name}`} className="text-ink2 space-y-0.5 text-sm">
          {files.slice(0, mostFiles).map((path) => (
            <FileLine key={path} path={path} files={files} item={item?.mod === mod ? item : null} />
          ))}
          {files.length > mostFiles && <li>and {files.length - mostFiles} more</li>}
        </ul>
      )}
    </>
  );
}

/** A file of a mod, which the profile can do without; `item` is null where it does not hold the mod. */
function FileLine({ path, files, item }: { path: string; files: readonly string[]; item: SeatedMod | null }) {
  const { editor } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const isOut = item !== null && leavesOut(item.leftOut)(foldName(roster.game, path));
  const turn = () => {
    const edit = item && leaveOutEdit(roster, item, path, !isOut, files);
    if (edit) editor.dispatch(edit);
  };
  return (
    <li className="flex min-h-6 items-baseline gap-2">
      <span className={`min-w-0 grow font-mono break-all ${isOut ? "text-ink3 line-through" : ""}`}>
        {path}
      </span>
      {isOut && <span className="shrink-0">left out</span>}
      {item && (
        <Button
          small
          look="quiet"
          aria-label={`${isOut ? "Bring back" : "Leave out"} ${path}`}
          onClick={turn}
        >
          {isOut ? "Bring back" : "Leave out"}
        </Button>
      )}
    </li>
  );
}
