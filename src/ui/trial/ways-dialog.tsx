import { useCallback, useEffect, useState } from "react";
import { say } from "@/core/language/say";
import type { Elsewhere, OfferedWay, OfferedWays } from "@/core/model/start";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { saveText } from "../kit/save-text";
import { removeOwnWay } from "../workspace/server";
import { useWorkspace } from "../workspace/workspace.client";
import { OwnWayForm } from "./own-way-form";
import { WayFacts } from "./way-facts";

/** All ways to start the game, what each runs, and one's own. */
export function WaysDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog
      open={open}
      onClose={onClose}
      size="medium"
      guide={{ page: "own-game" }}
      title={say("trial.ways")}
      hint={say("trial.waysHint")}
    >
      {open && <Ways onClose={onClose} />}
    </Dialog>
  );
}

function Ways({ onClose }: { onClose: () => void }) {
  const { trial } = useWorkspace();
  const { loadWays } = trial;
  const [found, setFound] = useState<OfferedWays | null>(null);
  const load = useCallback(() => void loadWays().then(setFound), [loadWays]);
  useEffect(load, [load]);
  const start = (way: OfferedWay) => {
    onClose();
    void trial.start(undefined, way.id);
  };
  if (found === null) return <p className="text-ink2">{say("common.checking")}</p>;
  const { ways, elsewhere } = found;
  return (
    <div className="space-y-4">
      <ul className="divide-line divide-y">
        {ways.map((way) => (
          <li key={way.id} className="space-y-2 py-3 first:pt-0">
            <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
              <h3 className="font-bold">{way.name}</h3>
              <span className="text-ink2 grow text-sm">
                {say("trial.wayFrom", { from: way.from })} {!way.isThere && say("trial.programGone")}
              </span>
              {way.from === "owner" && (
                <Button
                  small
                  look="quiet"
                  onClick={() => void removeOwnWay(way.id).then(load)}
                  aria-label={say("trial.takeOut", { name: way.name })}
                >
                  {say("trial.takeOutShort")}
                </Button>
              )}
              <Button small aria-label={say("trial.startBy", { name: way.name })} onClick={() => start(way)}>
                {say(way.isConfirmed ? "trial.startNow" : "trial.readAndStart")}
              </Button>
            </div>
            <WayFacts way={way} />
          </li>
        ))}
      </ul>
      <OwnWayForm taken={ways.map(({ id }) => id)} onSaved={load} />
      {elsewhere && <FromElsewhere elsewhere={elsewhere} />}
    </div>
  );
}

/** The same without opening a view: for another launcher, or as a file. */
function FromElsewhere({ elsewhere: { line, file, text } }: { elsewhere: Elsewhere }) {
  const [isCopied, setCopied] = useState(false);
  return (
    <section className="space-y-2">
      <h3 className="font-bold">{say("trial.elsewhere")}</h3>
      <p className="text-ink2">{say("trial.elsewhereHint")}</p>
      <code className="border-line bg-sunk block rounded-md border p-2 font-mono text-sm break-all">
        {line}
      </code>
      <div className="flex gap-2">
        <Button
          small
          onClick={() => void navigator.clipboard.writeText(line).then(() => setCopied(true))}
          aria-live="polite"
        >
          {say(isCopied ? "trial.copied" : "trial.copyLine")}
        </Button>
        <Button small onClick={() => saveText(file, text)}>
          {say("trial.saveShortcut")}
        </Button>
      </div>
    </section>
  );
}
