"use client";

import { say } from "@/core/language/say";
import { ChevronDown } from "lucide-react";
import { DropdownMenu as Menu, Toolbar } from "radix-ui";
import type { ProfileId } from "@/core/model/ids";
import { modsOn } from "@/core/roster/roster";
import { menuItemLook, menuLook } from "../kit/menu-look";
import { bringBackProfile, deleteProfile } from "../workspace/server";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { purposeWords } from "../profiles/purpose";
import { Swatch } from "../kit/swatch";
import type { DialogName } from "./commands";

/** The present profile; opens onto all others, and what can be done with this one. */
export function ProfileMenu({ openDialog }: { openDialog: (name: DialogName) => void }) {
  const { editor, unwrap, refresh, workOn, switchTo, tell } = useWorkspace();
  const profile = useEditor((state) => state.profile);
  const { profiles, game } = useEditor((state) => state.view);
  const on = modsOn(useEditor((state) => state.roster));
  const present = profiles.find((each) => each.id === profile.id);
  const remove = async () => {
    await editor.settled();
    const outcome = await deleteProfile(profile.id);
    unwrap(outcome);
    if (outcome.ok) tell([say("frame.liesInTheBinOfThe", { name: profile.name })]);
    refresh();
  };
  const bringBack = async (id: ProfileId) => {
    await editor.settled();
    const outcome = await bringBackProfile(id, game.id);
    unwrap(outcome);
    if (outcome.ok) await workOn(id);
  };
  return (
    <Menu.Root>
      <Toolbar.Button asChild>
        <Menu.Trigger className="border-line hover:bg-sunk flex h-8 min-w-0 items-center gap-1.5 rounded-md border px-2.5">
          <span className="sr-only">{say("frame.profile")}</span>
          <Swatch hue={present?.hue} />
          <b className="max-w-44 truncate">{present?.name ?? profile.name}</b>
          <span className="text-ink2 hidden text-sm min-[1180px]:inline">
            {purposeWords(present?.purpose ?? profile.purpose)}
          </span>
          <ChevronDown size={14} aria-hidden className="text-ink3" />
        </Menu.Trigger>
      </Toolbar.Button>
      <Menu.Portal>
        <Menu.Content align="start" sideOffset={4} className={`${menuLook} min-w-72`}>
          <Menu.Label className="text-ink3 px-2 py-1 text-sm font-semibold">{say("frame.workOn")}</Menu.Label>
          {profiles
            .filter((each) => !each.deleted)
            .map((each) => (
              <Menu.Item
                key={each.id}
                className={menuItemLook}
                disabled={each.id === profile.id}
                onSelect={() => void switchTo(each.id)}
              >
                <Swatch hue={each.hue} />
                <span className="grow truncate font-semibold">{each.name}</span>
                <span className="text-ink2 text-sm">{purposeWords(each.purpose)}</span>
                <span className="text-ink2 w-8 text-right font-mono text-sm">
                  {each.id === profile.id ? on : each.modsOn}
                </span>
              </Menu.Item>
            ))}
          <Menu.Separator className="bg-line my-1 h-px" />
          <Menu.Item className={menuItemLook} onSelect={() => openDialog("new-profile")}>
            {say("common.newProfile")}
          </Menu.Item>
          <Menu.Item className={menuItemLook} onSelect={() => openDialog("profile-facts")}>
            {say("profiles.editDetails")}
          </Menu.Item>
          <Menu.Item className={menuItemLook} onSelect={() => void remove()}>
            {say("profiles.moveToBin")}
          </Menu.Item>
          {profiles.some((each) => each.deleted) && (
            <>
              <Menu.Separator className="bg-line my-1 h-px" />
              <Menu.Label className="text-ink3 px-2 py-1 text-sm font-semibold">
                {say("frame.inTheBinBringBack")}
              </Menu.Label>
              {profiles
                .filter((each) => each.deleted)
                .map((each) => (
                  <Menu.Item key={each.id} className={menuItemLook} onSelect={() => void bringBack(each.id)}>
                    <span className="grow truncate">{each.name}</span>
                    <span className="text-ink2 font-mono text-sm">{each.modsOn}</span>
                  </Menu.Item>
                ))}
            </>
          )}
        </Menu.Content>
      </Menu.Portal>
    </Menu.Root>
  );
}
