"use client";

import { say } from "@/core/language/say";
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
          aria-label={say("shelf.readingTheShelf")}
          value={progress?.done ?? 0}
          max={progress?.total ?? 1}
          className="accent-pine h-2 w-24"
        />
        <span className="text-ink2 font-mono text-sm">
          {progress ? progressWords(progress) : say("shelf.listing")}
        </span>
        <Button small onClick={cancel}>
          {say("common.cancel")}
        </Button>
      </div>
    );
  return (
    <div className="flex flex-wrap items-center gap-2">
      <Button look={changes ? "main" : "plain"} onClick={() => void read()}>
        {say("shelf.scanForChanges")}
      </Button>
      {changes ? (
        <Drop label={changesWords(changes)} isOn>
          <Differences changes={changes} />
        </Drop>
      ) : (
        <span className="text-ink2" role="status">
          {last
            ? say("shelf.itemsReadUnchangedUnusable", {
                total: last.total,
                read: last.read,
                unchanged: last.unchanged,
                unsound: last.unsound,
              })
            : say("shelf.itemsAsLastScanned", { count })}
        </span>
      )}
    </div>
  );
}

export function progressWords({ done, total, filesPerSecond, secondsLeft }: ReadingProgress): string {
  const rate = say("shelf.filesPerSecond", { count: Math.round(filesPerSecond) });
  const left =
    secondsLeft === null
      ? ""
      : secondsLeft >= 90
        ? say("shelf.minLeft", { round: Math.round(secondsLeft / 60) })
        : say("shelf.sLeft", { ceil: Math.ceil(secondsLeft) });
  return say("shelf.of", { done, total, rate, left });
}

const changesWords = ({ added, changed, gone }: ShelfChanges): string =>
  say("shelf.onTheDisk", {
    changes: [
      added.length > 0 && say("shelf.countNew", { count: added.length }),
      changed.length > 0 && say("shelf.countChanged", { count: changed.length }),
      gone.length > 0 && say("shelf.countGone", { count: gone.length }),
    ]
      .filter(Boolean)
      .join(", "),
  });

const mostShown = 40;

function Differences({ changes }: { changes: ShelfChanges }) {
  const parts = [
    [say("shelf.newOnTheDisk"), changes.added],
    [say("shelf.changedSinceItWasRead"), changes.changed],
    [say("shelf.goneFromTheDisk"), changes.gone],
  ] as const;
  return (
    <div className="max-h-80 w-80 space-y-2 overflow-auto" tabIndex={-1}>
      <p className="text-ink2">{say("shelf.nothingOfThisCountsBeforeThe")}</p>
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
              {paths.length > mostShown && (
                <li>{say("common.andMore", { count: paths.length - mostShown })}</li>
              )}
            </ul>
          </section>
        ))}
    </div>
  );
}
