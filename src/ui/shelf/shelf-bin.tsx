"use client";

import { say } from "@/core/language/say";
import { useSearchParams } from "next/navigation";
import { Button } from "../kit/button";
import { Drop } from "../kit/drop";
import { formatSize } from "../kit/format-size";
import { bringBackMods, deleteMods } from "../workspace/server";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** What was dropped from the shelf: brought back, or deleted for good. */
export function ShelfBin() {
  const { unwrap, refresh, shelfReading } = useWorkspace();
  const bin = useEditor((state) => state.view.bin);
  const isAsked = useSearchParams().get("bin") === "open";
  const size = bin.reduce((sum, mod) => sum + mod.size, 0);
  const bringBack = async (ids: string[]) => {
    const outcome = await bringBackMods(ids);
    unwrap(outcome);
    if (outcome.ok) await shelfReading.read();
  };
  const remove = async (ids: string[]) => {
    unwrap(await deleteMods(ids));
    refresh();
  };
  return (
    <Drop
      key={String(isAsked)}
      label={say("shelf.bin", { count: bin.length })}
      isOn={false}
      isOpenAtFirst={isAsked}
    >
      <p className="text-ink2 pb-2">
        {say("common.mods3", { count: bin.length })}, {formatSize(size)}
      </p>
      <ul className="max-h-72 min-w-80 overflow-auto" tabIndex={-1}>
        {bin.map(({ id, name, version, size: own }) => (
          <li key={id} className="flex h-8 items-center gap-2">
            <span className="grow truncate">
              <b>{name}</b> <span className="font-mono text-sm">{version}</span>
            </span>
            <span className="text-ink2 font-mono text-sm">{formatSize(own)}</span>
            <Button
              small
              aria-label={say("shelf.restore", { name, version })}
              onClick={() => void bringBack([id])}
            >
              {say("common.restore")}
            </Button>
          </li>
        ))}
      </ul>
      <div hidden={bin.length === 0} className="border-line mt-2 flex gap-2 border-t pt-2">
        <Button small onClick={() => void bringBack(bin.map((mod) => mod.id))}>
          {say("shelf.restoreAll")}
        </Button>
        <Button small look="danger" onClick={() => void remove(bin.map((mod) => mod.id))}>
          {say("shelf.deleteModsForGood", { count: bin.length })}
        </Button>
      </div>
    </Drop>
  );
}
