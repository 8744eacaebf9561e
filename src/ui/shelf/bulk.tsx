"use client";

import { say } from "@/core/language/say";
import { ChevronDown } from "lucide-react";
import { DropdownMenu as Menu } from "radix-ui";
import { useState } from "react";
import { Button } from "../kit/button";
import type { GridCommand } from "../kit/grid/commands";
import { menuItemLook, menuLook } from "../kit/menu-look";
import { DropDialog } from "./drop-dialog";
import { SectionDialog } from "./section-dialog";
import { ableTo, type ShelfRow } from "./shelf-rows";
import { TagDialog } from "./tag-dialog";
import { useSwitchMods } from "./use-switch-mods";

type Act = "tag" | "section" | "drop";

const lies = ({ mod }: ShelfRow): boolean => mod !== null;
const isSeated = ({ seated }: ShelfRow): boolean => seated !== null;

/** What is done with many at once by a dialog; `fits` are those with which it can be done. */
const acts: readonly {
  readonly id: Act;
  readonly title: (count: number) => string;
  readonly fits: (row: ShelfRow) => boolean;
}[] = [
  { id: "tag", title: (count) => say("shelf.tag", { count }), fits: lies },
  { id: "section", title: (count) => say("shelf.moveToASection2", { count }), fits: isSeated },
  { id: "drop", title: (count) => say("shelf.moveToBin", { count }), fits: lies },
];

/** What was chosen to be done, and with which rows. */
export interface BulkAct {
  readonly id: Act;
  readonly rows: readonly ShelfRow[];
}

/** The same for the menu of the list. */
export const bulkCommands = (choose: (act: BulkAct) => void): GridCommand<ShelfRow>[] =>
  acts.map(({ id, title, fits }) => ({
    id,
    title: (rows) => title(rows.filter(fits).length),
    isPossible: (rows) => rows.some(fits),
    run: (rows) => choose({ id, rows: rows.filter(fits) }),
  }));

/** What can be done with exactly these, with the count before and undo after. */
export function Bulk({
  rows,
  what,
  onAct,
}: {
  rows: readonly ShelfRow[];
  /** What they are: shown, or selected. */
  what: "selected" | "shown";
  onAct: (act: BulkAct) => void;
}) {
  const switchThem = useSwitchMods();
  return (
    <>
      {[true, false].map((on) => (
        <Button
          key={String(on)}
          small
          disabled={ableTo(rows, on).length === 0}
          onClick={() => switchThem(ableTo(rows, on), on, true)}
        >
          {say("shelf.switch", { count: ableTo(rows, on).length, on: String(on) })}
        </Button>
      ))}
      <Menu.Root>
        <Menu.Trigger asChild>
          <Button small>
            {say(`shelf.withThese.${what}`, { count: rows.length })}
            <ChevronDown size={13} aria-hidden />
          </Button>
        </Menu.Trigger>
        <Menu.Portal>
          <Menu.Content align="end" sideOffset={4} className={`${menuLook} min-w-56`}>
            {bulkCommands(onAct).map(({ id, title, isPossible, run }) => (
              <Menu.Item
                key={id}
                className={menuItemLook}
                disabled={!isPossible?.(rows)}
                onSelect={() => run(rows)}
              >
                {title(rows)}
              </Menu.Item>
            ))}
          </Menu.Content>
        </Menu.Portal>
      </Menu.Root>
    </>
  );
}

export function BulkDialogs({ act, onClose }: { act: BulkAct | null; onClose: () => void }) {
  // While a dialog closes it still shows of which rows it was.
  const [last, setLast] = useState(act);
  if (act && act !== last) setLast(act);
  const rows = last?.rows ?? [];
  return (
    <>
      <TagDialog open={act?.id === "tag"} onClose={onClose} rows={rows} />
      <SectionDialog open={act?.id === "section"} onClose={onClose} rows={rows} />
      <DropDialog open={act?.id === "drop"} onClose={onClose} rows={rows} />
    </>
  );
}
