"use client";

import { say } from "@/core/language/say";
import type { ProfileId } from "@/core/model/ids";
import { Command as Cmdk } from "cmdk";
import { Dialog } from "../kit/dialog";
import { inputLook } from "../kit/field";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { purposeWords } from "./purpose";
import { Swatch } from "../kit/swatch";

/** All profiles of the game by name, to work on another one from anywhere. */
export function SwitchDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog
      open={open}
      onClose={onClose}
      title={say("profiles.workOnAnotherProfile")}
      guide={{ page: "several-profiles" }}
    >
      <Profiles onClose={onClose} />
    </Dialog>
  );
}

function Profiles({ onClose }: { onClose: () => void }) {
  const { switchTo } = useWorkspace();
  const present = useEditor((state) => state.profile.id);
  const profiles = useEditor((state) => state.view.profiles);
  const choose = (id: ProfileId) => {
    onClose();
    if (id !== present) void switchTo(id);
  };
  return (
    <Cmdk label={say("common.profiles")} loop>
      <Cmdk.Input placeholder={say("profiles.typeAPartOfItsName")} className={inputLook} autoFocus />
      <Cmdk.List className="mt-2 max-h-[50vh] overflow-auto">
        <Cmdk.Empty className="text-ink2 px-2 py-3">{say("profiles.noProfileIsCalledLikeThat")}</Cmdk.Empty>
        {profiles
          .filter((each) => !each.deleted)
          .map((each) => (
            <Cmdk.Item
              key={each.id}
              value={each.id}
              keywords={[each.name, purposeWords(each.purpose)]}
              onSelect={() => choose(each.id)}
              className="data-[selected=true]:bg-pine-soft flex h-8 cursor-pointer items-center gap-2 rounded px-2"
            >
              <Swatch hue={each.hue} />
              <span className="grow truncate font-semibold">{each.name}</span>
              <span className="text-ink2 text-sm">
                {each.id === present ? say("profiles.workedOnNow") : purposeWords(each.purpose)}
              </span>
              <span className="text-ink2 w-10 text-right font-mono text-sm">{each.modsOn}</span>
            </Cmdk.Item>
          ))}
      </Cmdk.List>
    </Cmdk>
  );
}
