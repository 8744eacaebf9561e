"use client";

import { say } from "@/core/language/say";
import { itemCount } from "@/core/messages/counts";
import type { TheirOrder } from "@/server/operations/order-file";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** An order file that another program wrote: what writing this profile would change in it, and what can be done instead. */
export function OrderFileDialog() {
  const { orderFile } = useWorkspace();
  const { theirs, leave } = orderFile;
  return (
    <Dialog
      open={theirs !== null}
      onClose={leave}
      size="large"
      guide={{ page: "first-evening" }}
      title={say("orderFile.isNotAsSeatingWroteIt", { path: theirs?.path ?? "" })}
      hint={say("orderFile.itComesFromTheGameOr")}
    >
      {theirs && <Ways theirs={theirs} />}
    </Dialog>
  );
}

function Ways({ theirs }: { theirs: TheirOrder }) {
  const { orderFile } = useWorkspace();
  const main = useEditor((state) => (state.view.game.lists.includes("plugins") ? "plugins" : "mods"));
  const { writing, unknown, count } = theirs;
  const isKnown = count > unknown.length;
  return (
    <div className="space-y-4">
      <section>
        <h3 className="font-bold">{say("orderFile.whatWritingThisProfileWouldChange")}</h3>
        <div className="mt-1 grid grid-cols-3 gap-4">
          <Names title={say("orderFile.linesThatGo")} names={writing.goes} />
          <Names title={say("orderFile.linesThatCome")} names={writing.comes} />
          <Names title={say("orderFile.linesThatMove")} names={writing.moves} />
        </div>
      </section>
      {unknown.length > 0 && (
        <section>
          <h3 className="font-bold">
            {say("orderFile.ofItsAreBroughtByNothing", {
              count: itemCount(main, unknown.length),
              count2: count,
              count3: unknown.length,
            })}
          </h3>
          <Names title="" names={unknown} />
          <p className="text-ink2 text-sm">{say("orderFile.takingTheOrderOverLeavesThem")}</p>
        </section>
      )}
      <div className="flex flex-wrap justify-end gap-2">
        <Button look="quiet" onClick={orderFile.leave}>
          {say("common.cancel")}
        </Button>
        <Button look={isKnown ? "plain" : "main"} onClick={() => void orderFile.writeOver()}>
          {say("orderFile.keepACopyAndWriteOver")}
        </Button>
        {isKnown && (
          <Button look="main" onClick={() => void orderFile.takeOver()}>
            {say("orderFile.applyTheOrderThatTheGame")}
          </Button>
        )}
      </div>
    </div>
  );
}

function Names({ title, names }: { title: string; names: readonly string[] }) {
  return (
    <div className="min-w-0">
      {title && (
        <h4 className="text-ink2 text-sm">
          {title}: <span className="text-ink font-mono">{names.length}</span>
        </h4>
      )}
      {names.length > 0 && (
        <ul
          className="border-line mt-1 max-h-44 overflow-auto rounded-md border px-2 py-1 text-sm"
          tabIndex={0}
        >
          {names.map((name) => (
            <li key={name} className="truncate">
              {name}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
