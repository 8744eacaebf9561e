"use client";

import { versionText } from "@/core/version/version";
import { useMemo, useState } from "react";
import { plural } from "@/core/messages/parts";
import type { SectionId } from "@/core/model/ids";
import { sayProblem } from "@/core/messages/problems";
import { needsOf, type NeedStanding } from "@/core/roster/needs";
import { partsOf } from "@/core/roster/parts";
import { endingOf } from "@/formats/archive-name";
import type { Incoming } from "@/server/operations/take-in";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { Field } from "../kit/field";
import { formatSize } from "../kit/format-size";
import { Part } from "../kit/part";
import { Select } from "../kit/select";
import { useEditor } from "../workspace/workspace.client";
import { sectionsFor } from "./sections-for";

export interface Wanted {
  /** Into the profile too, switched off. */
  readonly add: boolean;
  /** Ids of mods of the shelf that it needs and that are to be switched on. */
  readonly on: readonly string[];
  /** Sections that its user has chosen, by the name of the plugin; of the mod itself as "mods". */
  readonly sections: Readonly<Record<string, SectionId>>;
  /** What it is to be called on the shelf, where it says no name and version of itself. */
  readonly fileName?: string;
}

const standingWords: Record<NeedStanding, string> = {
  on: "on in this profile",
  off: "in this profile, off",
  shelf: "on the shelf, not in this profile",
  "other-version": "here in another version",
  missing: "not here",
};
const mostShown = 6;

/** What a dropped mod is, needs and would override, before it is taken in. */
export function IncomingDialog({
  incoming,
  busy,
  onTake,
  onLeave,
}: {
  incoming: Incoming;
  busy: boolean;
  onTake: (wanted: Wanted) => void;
  onLeave: () => void;
}) {
  const { mod, versions, overlaps } = incoming;
  const roster = useEditor((state) => state.roster);
  const [add, setAdd] = useState(true);
  const [on, setOn] = useState<readonly string[]>([]);
  const [chosen, setChosen] = useState<Readonly<Record<string, SectionId>>>({});
  const [named, setNamed] = useState({ name: mod.name, version: mod.version });
  const isRenamed = named.name !== mod.name || named.version !== mod.version;
  const wanted: Wanted = {
    add,
    on,
    sections: chosen,
    ...(isRenamed ? { fileName: `${named.name.trim()}-${named.version.trim()}${endingOf(mod.path)}` } : {}),
  };
  const needs = useMemo(() => needsOf(roster, mod), [roster, mod]);
  const sections = useMemo(() => sectionsFor(roster, mod), [roster, mod]);
  const parts = mod.manifest ? partsOf(mod.manifest).length : 0;
  const isHere = versions.some(({ same }) => same);
  const faults = mod.plugins.filter((plugin) => plugin.problem);
  const turn = (id: string) => setOn(on.includes(id) ? on.filter((each) => each !== id) : [...on, id]);
  return (
    <Dialog open onClose={onLeave} title={`Add ${mod.name}`} size="medium">
      <div className="space-y-3">
        <p>
          <span className="font-mono text-sm">{versionText(mod.version) || "no version"}</span>
          {mod.author && ` by ${mod.author}`} · {formatSize(mod.size)}, {plural(mod.files, "file")}
          {mod.plugins.length > 0 && `, ${plural(mod.plugins.length, "plugin")}`}
          {parts > 0 && `, ${plural(parts, "part")} to choose from`} · not damaged
        </p>
        {mod.summary && <p className="text-ink2">{mod.summary}</p>}
        {!mod.manifest && (
          <div className="grid grid-cols-[1fr_8.75rem] gap-3">
            <Field
              label="Name"
              hint="It says nothing of itself: these are proposed by the name of its file."
              value={named.name}
              maxLength={120}
              onChange={(event) => setNamed({ ...named, name: event.target.value })}
            />
            <Field
              label="Version"
              value={named.version}
              maxLength={40}
              onChange={(event) => setNamed({ ...named, version: event.target.value })}
            />
          </div>
        )}
        {versions.length > 0 && (
          <p className="bg-saffron-soft rounded-md p-2">
            {isHere
              ? "Just this lies on the shelf already."
              : `The shelf holds it in ${versions.map(({ version }) => version).join(", ")} already; the newest one counts, where a profile does not say otherwise.`}
          </p>
        )}
        {faults.map((plugin) => (
          <p key={plugin.name} className="text-brick">
            {plugin.name} cannot be loaded: {sayProblem(plugin.problem!)}.
          </p>
        ))}
        {needs.length > 0 && (
          <Part title="It needs">
            <ul>
              {needs.map(({ name, standing, mod: found }) => (
                <li key={name} className="flex min-h-6 items-center gap-2">
                  <b>{name}</b>
                  <span className={standing === "missing" ? "text-brick" : "text-ink2"}>
                    {standingWords[standing]}
                  </span>
                  {found && (standing === "off" || standing === "shelf") && (
                    <label className="ml-auto flex items-center gap-1.5">
                      <input
                        type="checkbox"
                        className="accent-pine"
                        checked={on.includes(found.id)}
                        onChange={() => turn(found.id)}
                      />
                      switch it on too
                    </label>
                  )}
                </li>
              ))}
            </ul>
          </Part>
        )}
        <Part title="Files of the same names">
          {overlaps.length === 0 ? (
            <p className="text-ink2">None: it overrides nothing, and nothing overrides it.</p>
          ) : (
            <ul>
              {overlaps.slice(0, mostShown).map(({ mod: other, files }) => (
                <li key={other}>
                  <b>{roster.stock.shelf.find(({ id }) => id === other)?.name ?? other}</b>:{" "}
                  {plural(files.length, "file")}{" "}
                  <span className="text-ink2 font-mono text-sm break-all">
                    {files[0]}
                    {files.length > 1 && " …"}
                  </span>
                </li>
              ))}
              {overlaps.length > mostShown && (
                <li className="text-ink2">and {plural(overlaps.length - mostShown, "other mod")}</li>
              )}
              <li className="text-ink2">Of two that are on, the one that loads later wins.</li>
            </ul>
          )}
        </Part>
        {sections.length > 0 && (
          <Part title="Where it would sit">
            <ul>
              {sections.map(({ key, what, section, choices }) => (
                <li key={key} className="flex min-h-7 items-center gap-2">
                  <span className="min-w-0 truncate font-mono text-sm">{what}</span>
                  <span className="shrink-0">at the end of</span>
                  {choices.length > 1 ? (
                    <Select
                      small
                      label={`Section of ${what}`}
                      value={chosen[key] ?? section.id}
                      options={choices.map(({ id, name }) => ({ value: id, words: name }))}
                      onChoose={(id) => setChosen({ ...chosen, [key]: id as SectionId })}
                      className="w-52 shrink-0"
                    />
                  ) : (
                    <b>{section.name}</b>
                  )}
                </li>
              ))}
            </ul>
          </Part>
        )}
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="accent-pine"
            checked={add}
            onChange={(event) => setAdd(event.target.checked)}
          />
          Add it to this profile, switched off until you choose it
        </label>
        <div className="flex justify-end gap-2">
          <Button look="quiet" onClick={onLeave}>
            Cancel
          </Button>
          <Button look="main" disabled={busy || isHere} onClick={() => onTake(wanted)}>
            {busy ? "Adding…" : "Add to shelf"}
          </Button>
        </div>
      </div>
    </Dialog>
  );
}
