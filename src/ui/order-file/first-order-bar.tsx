"use client";

import { say } from "@/core/language/say";
import { itemCount } from "@/core/messages/counts";
import { Button } from "../kit/button";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** Where a game that has an order meets a profile that holds nothing: the order can become the profile's. */
export function FirstOrderBar() {
  const { orderFile, shelfReading } = useWorkspace();
  const { roster, onDisk, view } = useEditor((state) => state);
  const count = onDisk.order?.length ?? 0;
  if (roster.mods.length > 0 || count === 0) return null;
  const isReady = view.stock.shelf.length > 0 && !shelfReading.busy;
  const list = view.game.lists.includes("plugins") ? "plugins" : "mods";
  return (
    <aside
      aria-label={say("orderFile.theOrderThatTheGameHas")}
      className="border-line bg-pine-soft flex items-center gap-3 border-b px-5 py-2"
    >
      <p className="grow">
        {say("orderFile.hasAnOrderOfAlreadyThis", { name: view.game.name, count: itemCount(list, count) })}
        {!isReady && say("orderFile.theShelfHasToBeRead")}
      </p>
      <Button look="quiet" disabled={!isReady} onClick={() => void orderFile.look()}>
        {say("orderFile.compareOrders")}
      </Button>
      <Button look="main" disabled={!isReady} onClick={() => void orderFile.takeOver()}>
        {say("orderFile.applyTheOrderThatTheGame")}
      </Button>
    </aside>
  );
}
