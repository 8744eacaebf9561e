"use client";

import { say } from "@/core/language/say";
import { ChevronDown } from "lucide-react";
import { DropdownMenu as Menu, Toolbar } from "radix-ui";
import { useState } from "react";
import { Dialog } from "../kit/dialog";
import { menuItemLook, menuLook } from "../kit/menu-look";
import { AddGameForm } from "../start/add-game-form";
import { switchGame } from "../workspace/server";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** The game that is worked on; opens onto the others, each with a workspace of its own. */
export function GameMenu() {
  const { editor, unwrap, workOn } = useWorkspace();
  const { game, games, otherGames } = useEditor((state) => state.view);
  const [adding, setAdding] = useState(false);
  const turn = async (id: string) => {
    await editor.settled();
    const outcome = await switchGame(id);
    unwrap(outcome);
    if (outcome.ok) void workOn(outcome.value);
  };
  const added = () => {
    setAdding(false);
    void workOn(null);
  };
  return (
    <>
      <Menu.Root>
        <Toolbar.Button asChild>
          <Menu.Trigger className="border-line hover:bg-sunk flex h-8 min-w-0 items-center gap-1.5 rounded-md border px-2.5">
            <span className="sr-only">{say("frame.game")}</span>
            <b className="truncate">{game.name}</b>
            <span className="text-ink2 font-mono text-sm">{game.version}</span>
            <ChevronDown size={14} aria-hidden className="text-ink3" />
          </Menu.Trigger>
        </Toolbar.Button>
        <Menu.Portal>
          <Menu.Content align="start" sideOffset={4} className={`${menuLook} min-w-64`}>
            <Menu.Label className="text-ink3 px-2 py-1 text-sm font-semibold">
              {say("frame.workOn")}
            </Menu.Label>
            {games.map(({ id, name, version }) => (
              <Menu.Item
                key={id}
                className={menuItemLook}
                disabled={id === game.id}
                onSelect={() => void turn(id)}
              >
                <span className="grow truncate font-semibold">{name}</span>
                <span className="text-ink2 font-mono text-sm">{version}</span>
              </Menu.Item>
            ))}
            <Menu.Separator className="bg-line my-1 h-px" />
            <Menu.Item className={menuItemLook} onSelect={() => setAdding(true)}>
              {say("frame.addAnotherGame")}
            </Menu.Item>
          </Menu.Content>
        </Menu.Portal>
      </Menu.Root>
      <Dialog
        open={adding}
        onClose={() => setAdding(false)}
        title={say("frame.addAnotherGame2")}
        hint={say("frame.itsFolderWhereTheOrderFile")}
        size="large"
      >
        <AddGameForm games={otherGames} onAdded={added} />
      </Dialog>
    </>
  );
}
