"use client";

import { say } from "@/core/language/say";
import { Popover } from "radix-ui";
import { labelText } from "@/core/messages/labels";
import { plainText } from "@/core/messages/parts";
import { sayRefusal } from "@/core/messages/refusals";
import { seatAndTitle, titleOfId } from "@/core/roster/roster";
import { Button } from "../kit/button";
import { menuLook } from "../kit/menu-look";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** How many of them are shown by name. */
const most = 12;

/** Edits that the server could not store when it was last asked: which, why, and what can be done about them. */
export function NotStored() {
  const { editor } = useWorkspace();
  const { pending, trouble, roster } = useEditor((state) => state);
  if (!trouble) return null;
  const words = say("frame.changesNotStoredYet", { count: pending.length });
  const title = (id: string) => titleOfId(roster, id);
  return (
    <Popover.Root>
      <Popover.Trigger className="bg-brick-soft text-brick h-6 shrink-0 rounded px-2 font-semibold">
        {words}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          aria-label={words}
          className={`${menuLook} w-96 space-y-2 p-3`}
        >
          <p>{plainText(sayRefusal(trouble), (id) => seatAndTitle(roster, id))}</p>
          <ol className="text-ink2 list-inside list-decimal">
            {pending.slice(0, most).map(({ id, edit }) => (
              <li key={id} className="truncate">
                {labelText(edit.label, { title, seat: () => null })}
              </li>
            ))}
            {pending.length > most && (
              <li className="list-none">{say("common.andMore", { count: pending.length - most })}</li>
            )}
          </ol>
          <p className="text-ink2">{say("frame.theyAreKeptInThisBrowser")}</p>
          <div className="flex justify-end gap-2">
            <Button look="danger" onClick={() => editor.giveUpPending()}>
              {say("frame.discardChanges", { count: pending.length })}
            </Button>
            <Button onClick={() => void editor.settled()}>{say("frame.retry")}</Button>
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
