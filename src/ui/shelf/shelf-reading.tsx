"use client";

import { plural } from "@/core/messages/parts";
import type { ShelfChanges } from "@/server/events";
import { Button } from "../kit/button";
import { Drop } from "../kit/drop";
import type { ReadingProgress } from "../workspace/use-shelf-reading";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** Reads the shelf folders, with count, rate and time left while it goes on; says what has changed on the disk since. */
export function ShelfReading() {
  const { shelfReading } = useWorkspace();
  const count = useEditor((state) => state.view.stock.shelf.length);
  const { progress, busy, last, changes, read, cancel } = shelfReading;
  if (busy)
    return (
      <div role="status" className="flex items-center gap-2">
        <progress
          aria-label="Reading the shelf"
          value={progress?.done ?? 0}
          max={progress?.total ?? 1}
          className="accent-pine h-2 w-24"
        />
        <span className="text-ink2 font-mono text-sm">{progress ? progressWords(progress) : "listing…"}</span>
        <Button small onClick={cancel}>
          Cancel
        </Button>
      </div>
    );
  return (
    <div className="flex flex-wrap items-center gap-2">
      <Button look={changes ? "main" : "plain"} onClick={() => void read()}>
        Scan for changes
      </Button>
      {changes ? (
        <Drop label={changesWords(changes)} isOn>
          <Differences changes={changes} />
        </Drop>
      ) : (
        <span className="text-ink2" role="status">
          {last
            ? `${plural(last.total, "item")}: ${last.read} read, ${last.unchanged} unchanged, ${last.unsound} unusable`
            : `${plural(count, "item")} as last scanned`}
        </span>
      )}
    </div>
  );
}

export function progressWords({ done, total, filesPerSecond, secondsLeft }: ReadingProgress): string {
  const rate = `${Math.round(filesPerSecond).toLocaleString("en")} files/s`;
  const left =
    secondsLeft === null
      ? ""
      : secondsLeft >= 90
        ? `, ${Math.round(secondsLeft / 60)} min left`
        : `, ${Math.ceil(secondsLeft)} s left`;
  return `${done} of ${total}, ${rate}${left}`;
}

const changesWords = ({ added, changed, gone }: ShelfChanges): string =>
  `On the disk: ${[
    [added.length, "new"],
    [changed.length, "changed"],
    [gone.length, "gone"],
  ]
    .filter(([count]) => count !== 0)
    .map(([count, word]) => `${count} ${word}`)
    .join(", ")}`;

const mostShown = 40;

function Differences({ changes }: { changes: ShelfChanges }) {
  const parts = [
    ["New on the disk", changes.added],
    ["Changed since it was read", changes.changed],
    ["Gone from the disk", changes.gone],
  ] as const;
  return (
    <div className="max-h-80 w-80 space-y-2 overflow-auto" tabIndex={-1}>
      <p className="text-ink2">Nothing of this counts before the shelf is read.</p>
      {parts
        .filter(([, paths]) => paths.length > 0)
        .map(([title, paths]) => (
          <section key={title}>
            <h3 className="text-sm font-semibold">
              {title}, {paths.length}
            </h3>
            <ul className="font-mono text-sm break-all">
              {paths.slice(0, mostShown).map((path) => (
                <li key={path}>{path}</li>
              ))}
              {paths.length > mostShown && <li>and {paths.length - mostShown} more</li>}
            </ul>
          </section>
        ))}
    </div>
  );
}
