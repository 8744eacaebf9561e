"use client";

import { plural } from "@/core/messages/parts";
import { Button } from "../kit/button";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** Reads the shelf folder, with its count while it goes on. */
export function ShelfReading() {
  const { shelfReading } = useWorkspace();
  const count = useEditor((state) => state.view.stock.shelf.length);
  const { progress, busy, last, read, cancel } = shelfReading;
  if (busy)
    return (
      <div role="status" className="flex items-center gap-2">
        <progress
          aria-label="Reading the shelf"
          value={progress?.done ?? 0}
          max={progress?.total ?? 1}
          className="accent-pine h-2 w-28"
        />
        <span className="text-ink2 font-mono text-sm">
          {progress ? `${progress.done} of ${progress.total}` : "listing…"}
        </span>
        <Button small onClick={cancel}>
          Cancel
        </Button>
      </div>
    );
  return (
    <div className="flex flex-wrap items-center gap-2">
      <Button onClick={() => void read()}>Read the shelf</Button>
      <span className="text-ink2" role="status">
        {last
          ? `${plural(last.total, "item")}: ${last.read} read, ${last.unchanged} unchanged, ${last.unsound} unsound`
          : `${plural(count, "item")} as last read`}
      </span>
    </div>
  );
}
