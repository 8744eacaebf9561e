"use client";

import { ChevronDown } from "lucide-react";
import { DropdownMenu as Menu } from "radix-ui";
import { useState } from "react";
import { switchMods } from "@/core/edit/edits";
import { Button } from "../kit/button";
import { menuItemLook, menuLook } from "../kit/menu-look";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { DropDialog } from "./drop-dialog";
import { SectionDialog } from "./section-dialog";
import type { ShelfRow } from "./shelf-rows";
import { TagDialog } from "./tag-dialog";

type Act = "tag" | "section" | "drop";

/** What can be done with exactly what is shown, with the count before and undo after. */
export function Bulk({ shown }: { shown: readonly ShelfRow[] }) {
  const { editor, tell, refresh } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const [act, setAct] = useState<Act | null>(null);
  const able = (on: boolean) =>
    shown
      .filter(({ state }) => (on ? state === "off" || state === "elsewhere" : state === "on"))
      .map((row) => row.mod!);
  const turn = (on: boolean) => {
    const mods = able(on);
    const edit = switchMods(roster, mods, on);
    if (!edit) return;
    editor.dispatch({ ...edit, restorePoint: `Before switching ${mods.length} mods ${on ? "on" : "off"}` });
    tell([`${mods.length} switched ${on ? "on" : "off"}. Undo takes it back.`]);
    // The restore point that was made before it is listed by the server.
    void editor.settled().then(refresh);
  };
  const lying = shown.filter(({ mod }) => mod !== null);
  const seated = shown.filter((row) => row.seated !== null);
  const choices: readonly (readonly [Act, string, number])[] = [
    ["tag", `Tag ${lying.length}…`, lying.length],
    ["section", `Move ${seated.length} to a section…`, seated.length],
    ["drop", `Drop ${lying.length} from the shelf…`, lying.length],
  ];
  return (
    <>
      {[true, false].map((on) => (
        <Button key={String(on)} small disabled={able(on).length === 0} onClick={() => turn(on)}>
          Switch {able(on).length} {on ? "on" : "off"}
        </Button>
      ))}
      <Menu.Root>
        <Menu.Trigger asChild>
          <Button small>
            With these {shown.length}
            <ChevronDown size={13} aria-hidden />
          </Button>
        </Menu.Trigger>
        <Menu.Portal>
          <Menu.Content align="end" sideOffset={4} className={`${menuLook} min-w-56`}>
            {choices.map(([each, words, count]) => (
              <Menu.Item
                key={each}
                className={menuItemLook}
                disabled={count === 0}
                onSelect={() => setAct(each)}
              >
                {words}
              </Menu.Item>
            ))}
          </Menu.Content>
        </Menu.Portal>
      </Menu.Root>
      <TagDialog open={act === "tag"} onClose={() => setAct(null)} rows={lying} />
      <SectionDialog open={act === "section"} onClose={() => setAct(null)} rows={seated} />
      <DropDialog open={act === "drop"} onClose={() => setAct(null)} rows={lying} />
    </>
  );
}
