"use client";

import { say } from "@/core/language/say";
import type { ReactNode } from "react";
import type { Edit } from "@/core/model/edit";
import type { LaunchSetting } from "@/core/model/game";
import { baseItemEdit, expansionEdit, launchEdit, launchValue } from "@/core/edit/settings";
import type { LaunchValue } from "@/core/model/launch";
import { NumberField } from "../kit/number-field";
import { Select } from "../kit/select";
import { Toggle } from "../kit/toggle";
import { TypedField } from "../kit/typed-field";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

function useDispatch(): (edit: Edit | null) => void {
  const { editor } = useWorkspace();
  return (edit) => {
    if (edit) editor.dispatch(edit);
  };
}

/** The expansions of the game: which are owned, and which are on in this profile. */
export function Expansions() {
  const roster = useEditor((state) => state.roster);
  const owned = useEditor((state) => state.view.stock.owned);
  const dispatch = useDispatch();
  return (
    <ul>
      {roster.game.expansions.map(({ id, name }) => {
        const on = roster.profile.state.expansions.includes(id);
        const isOwned = owned.includes(id);
        return (
          <SettingRow key={id} name={name} says={isOwned ? "" : say("overview.notOwnedItsFolderIsNot")}>
            <Toggle
              on={on}
              locked={!isOwned && !on}
              label={
                isOwned || on
                  ? say("overview.is", { name, on: String(on) })
                  : say("overview.isNotOwned", { name })
              }
              onClick={() => (isOwned || on) && dispatch(expansionEdit(roster, id, !on))}
            />
          </SettingRow>
        );
      })}
    </ul>
  );
}

/** Parts of the game itself that this profile can do without. */
export function BaseItems() {
  const roster = useEditor((state) => state.roster);
  const dispatch = useDispatch();
  return (
    <ul>
      {(roster.game.baseItems ?? []).map(({ id, name, note }) => {
        const on = !(roster.profile.state.baseOff ?? []).includes(id);
        return (
          <SettingRow key={id} name={name} says={note ?? ""}>
            <Toggle
              on={on}
              label={say("overview.is", { name, on: String(on) })}
              onClick={() => dispatch(baseItemEdit(roster, id, !on))}
            />
          </SettingRow>
        );
      })}
    </ul>
  );
}

/** What this profile says to the game at its start. */
export function LaunchSettings() {
  const roster = useEditor((state) => state.roster);
  const dispatch = useDispatch();
  return (
    <ul>
      {(roster.game.launchSettings ?? []).map((setting) => (
        <SettingRow key={setting.id} name={setting.label} says={setting.guidance ?? ""}>
          <LaunchValueField
            setting={setting}
            value={launchValue(roster, setting)}
            onChange={(value) => dispatch(launchEdit(roster, setting, value))}
          />
        </SettingRow>
      ))}
    </ul>
  );
}

function SettingRow({ name, says, children }: { name: string; says: string; children: ReactNode }) {
  return (
    <li className="flex min-h-8 items-center gap-3 py-0.5">
      <span className="min-w-0 grow">
        {name}
        {says && <span className="text-ink3 block text-sm">{says}</span>}
      </span>
      {children}
    </li>
  );
}

function LaunchValueField({
  setting,
  value,
  onChange,
}: {
  setting: LaunchSetting;
  value: LaunchValue;
  onChange: (value: LaunchValue) => void;
}) {
  const files = useEditor((state) => state.view.startFiles);
  if (setting.kind === "switch")
    return (
      <Toggle
        on={value === true}
        label={say("overview.is2", { label: setting.label, value: String(value) })}
        onClick={() => onChange(!value)}
      />
    );
  if (setting.kind === "choice" || setting.kind === "file") {
    const known = setting.kind === "choice" ? setting.choices : ["", ...(files[setting.id] ?? [])];
    const choices = known.includes(String(value)) ? known : [...known, String(value)];
    return (
      <Select
        label={setting.label}
        value={String(value)}
        options={choices.map((choice) => ({
          value: choice,
          words: choice === "" ? say("common.none") : choice,
        }))}
        onChoose={onChange}
        className="w-40"
      />
    );
  }
  if (setting.kind === "number")
    return (
      <NumberField
        label={setting.label}
        value={Number(value)}
        least={setting.least}
        most={setting.most}
        isNeeded
        onStore={(number) => number !== null && onChange(number)}
        className="w-40"
      />
    );
  return (
    <TypedField
      key={String(value)}
      label={setting.label}
      value={String(value)}
      most={500}
      onStore={onChange}
      className="!w-40"
    />
  );
}
