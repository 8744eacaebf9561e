"use client";

import { plural } from "@/core/messages/parts";
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
      title={`${theirs?.path ?? ""} is not as Seating wrote it`}
      hint="It comes from the game or from another program, or somebody has edited it. Nothing is changed before you choose."
    >
      {theirs && <Ways theirs={theirs} />}
    </Dialog>
  );
}

function Ways({ theirs }: { theirs: TheirOrder }) {
  const { orderFile } = useWorkspace();
  const main = useEditor((state) => (state.view.game.lists.includes("plugins") ? "plugin" : "mod"));
  const { writing, unknown, count } = theirs;
  const isKnown = count > unknown.length;
  return (
    <div className="space-y-4">
      <section>
        <h3 className="font-bold">What writing this profile would change in it</h3>
        <div className="mt-1 grid grid-cols-3 gap-4">
          <Names title="Lines that go" names={writing.goes} />
          <Names title="Lines that come" names={writing.comes} />
          <Names title="Lines that move" names={writing.moves} />
        </div>
      </section>
      {unknown.length > 0 && (
        <section>
          <h3 className="font-bold">
            {plural(unknown.length, main)} of its {count} {unknown.length === 1 ? "is" : "are"} brought by
            nothing on the shelf
          </h3>
          <Names title="" names={unknown} />
          <p className="text-ink2 text-sm">Taking the order over leaves them out.</p>
        </section>
      )}
      <div className="flex flex-wrap justify-end gap-2">
        <Button look="quiet" onClick={orderFile.leave}>
          Leave both as they are
        </Button>
        <Button look={isKnown ? "plain" : "main"} onClick={() => void orderFile.writeOver()}>
          Keep a copy and write over it
        </Button>
        {isKnown && (
          <Button look="main" onClick={() => void orderFile.takeOver()}>
            Apply the order that the game has now
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
