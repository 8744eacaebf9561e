import { say } from "@/core/language/say";
import { rich } from "../kit/rich";
import { FileArchive, FolderPlus, Plus } from "lucide-react";
import { DropdownMenu as Menu } from "radix-ui";
import { chooseMods } from "../incoming/choose-mods";
import { menuItemLook, menuLook } from "../kit/menu-look";

/** The visible ways by which mods come onto the shelf. */
export function AddMods() {
  return (
    <Menu.Root>
      <Menu.Trigger className="border-line bg-surface hover:bg-sunk flex h-8 shrink-0 items-center gap-1.5 rounded-md border px-3 font-semibold">
        {rich("shelf.addMods", { plus: <Plus size={15} aria-hidden /> })}
      </Menu.Trigger>
      <Menu.Portal>
        <Menu.Content align="end" sideOffset={4} className={`${menuLook} min-w-64`}>
          <Menu.Item className={menuItemLook} onSelect={() => chooseMods("archives")}>
            {rich("shelf.archives", { fileArchive: <FileArchive size={15} aria-hidden /> })}
          </Menu.Item>
          <Menu.Item className={menuItemLook} onSelect={() => chooseMods("folder")}>
            {rich("shelf.aFolder", { folderPlus: <FolderPlus size={15} aria-hidden /> })}
          </Menu.Item>
          <Menu.Separator className="bg-line my-1 h-px" />
          <Menu.Label className="text-ink3 px-2 py-1 text-sm">
            {say("shelf.orDropOrPasteThemAnywhere")}
          </Menu.Label>
        </Menu.Content>
      </Menu.Portal>
    </Menu.Root>
  );
}
