"use client";

import { plural } from "@/core/messages/parts";
import { Button } from "../kit/button";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** Where a game that has an order meets a profile that holds nothing: the order can become the profile's. */
export function FirstOrderBar() {
  const { orderFile, shelfReading } = useWorkspace();
  const { roster, onDisk, view } = useEditor((state) => state);
  const count = onDisk.order?.length ?? 0;
  if (roster.mods.length > 0 || count === 0) return null;
  const isReady = view.stock.shelf.length > 0 && !shelfReading.busy;
  const noun = view.game.lists.includes("plugins") ? "plugin" : "mod";
  return (
    <aside
      aria-label="The order that the game has"
      className="border-line bg-pine-soft flex items-center gap-3 border-b px-5 py-2"
    >
      <p className="grow">
        {view.game.name} has an order of {plural(count, noun)} already; this profile is empty.
        {!isReady && " The shelf has to be read first, so that it is known what brings them."}
      </p>
      <Button look="quiet" disabled={!isReady} onClick={() => void orderFile.look()}>
        Compare orders
      </Button>
      <Button look="main" disabled={!isReady} onClick={() => void orderFile.takeOver()}>
        Apply the order that the game has now
      </Button>
    </aside>
  );
}
