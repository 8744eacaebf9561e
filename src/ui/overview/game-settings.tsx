"use client";

import { useState, type ReactNode } from "react";
import type { Edit } from "@/core/model/edit";
import type { LaunchSetting } from "@/core/model/game";
import { baseItemEdit, expansionEdit, launchEdit, launchValue } from "@/core/edit/settings";
import { type LaunchValue } from "@/core/model/profile";
import { inputLook } from "../kit/field";
import { Toggle } from "../kit/toggle";
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
          <SettingRow key={id} name={name} says={isOwned ? "" : "not owned: its folder is not in the game’s"}>
            <Toggle
              on={on}
              locked={!isOwned && !on}
              label={isOwned || on ? `${name} is ${on ? "on" : "off"}` : `${name} is not owned`}
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
              label={`${name} is ${on ? "on" : "off"}`}
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
        label={`${setting.label} is ${value ? "on" : "off"}`}
        onClick={() => onChange(!value)}
      />
    );
  if (setting.kind === "choice" || setting.kind === "file") {
    const known = setting.kind === "choice" ? setting.choices : ["", ...(files[setting.id] ?? [])];
    const choices = known.includes(String(value)) ? known : [...known, String(value)];
    return (
      <select
        aria-label={setting.label}
        value={String(value)}
        onChange={(event) => onChange(event.target.value)}
        className={`${inputLook} !w-40`}
      >
        {choices.map((choice) => (
          <option key={choice} value={choice}>
            {choice === "" ? "none" : choice}
          </option>
        ))}
      </select>
    );
  }
  return <Typed key={String(value)} setting={setting} value={value} onChange={onChange} />;
}

/** Stored once it is left, or with Enter: every change is an edit that can be undone. */
function Typed({
  setting,
  value,
  onChange,
}: {
  setting: Extract<LaunchSetting, { kind: "number" | "text" }>;
  value: LaunchValue;
  onChange: (value: LaunchValue) => void;
}) {
  const [draft, setDraft] = useState(String(value));
  const store = () => {
    if (setting.kind === "text") return onChange(draft.trim());
    const number = Number(draft);
    if (draft.trim() === "" || !Number.isFinite(number)) return setDraft(String(value));
    onChange(Math.min(setting.most, Math.max(setting.least, number)));
  };
  return (
    <input
      aria-label={setting.label}
      value={draft}
      inputMode={setting.kind === "number" ? "decimal" : "text"}
      maxLength={500}
      onChange={(event) => setDraft(event.target.value)}
      onBlur={store}
      onKeyDown={(event) => event.key === "Enter" && store()}
      className={`${inputLook} !w-40 font-mono`}
    />
  );
}
