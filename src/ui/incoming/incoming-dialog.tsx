"use client";

import { say } from "@/core/language/say";
import { versionText } from "@/core/version/version";
import { useMemo, useState } from "react";
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
import { Select, SelectField } from "../kit/select";
import { arrivalWay, arrivalWays, type ArrivalWay } from "../workspace/arrival-choices";
import { useEditor } from "../workspace/workspace.client";
import { sectionsFor } from "./sections-for";

export interface Wanted {
  readonly way: ArrivalWay;
  /** Ids of mods of the shelf that it needs and that are to be switched on. */
  readonly on: readonly string[];
  /** Sections that its user has chosen, by the name of the plugin; of the mod itself as "mods". */
  readonly sections: Readonly<Record<string, SectionId>>;
  /** What it is to be called on the shelf, where it says no name and version of itself. */
  readonly fileName?: string;
}

const standingWords: Record<NeedStanding, string> = {
  get on() {
    return say("incoming.onInThisProfile");
  },
  get off() {
    return say("incoming.inThisProfileOff");
  },
  get shelf() {
    return say("incoming.onTheShelfNotInThis");
  },
  get "other-version"() {
    return say("incoming.hereInAnotherVersion");
  },
  get missing() {
    return say("common.notHere");
  },
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
  const [way, setWay] = useState(arrivalWay.get);
  const [on, setOn] = useState<readonly string[]>([]);
  const [chosen, setChosen] = useState<Readonly<Record<string, SectionId>>>({});
  const [named, setNamed] = useState({ name: mod.name, version: mod.version });
  const isRenamed = named.name !== mod.name || named.version !== mod.version;
  const wanted: Wanted = {
    way,
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
    <Dialog open onClose={onLeave} title={say("incoming.add", { name: mod.name })} size="medium">
      <div className="space-y-3">
        <p>
          <span className="font-mono text-sm">{versionText(mod.version) || say("common.noVersion")}</span>
          {mod.author && say("common.by", { author: mod.author })} · {formatSize(mod.size)},{" "}
          {say("common.files", { files: mod.files })}
          {mod.plugins.length > 0 && `, ${say("common.plugins3", { count: mod.plugins.length })}`}
          {say("incoming.notDamaged", { rest: parts > 0 && say("incoming.partsToChooseFrom", { parts }) })}
        </p>
        {mod.summary && <p className="text-ink2">{mod.summary}</p>}
        {!mod.manifest && (
          <div className="grid grid-cols-[1fr_8.75rem] gap-3">
            <Field
              label={say("common.name")}
              hint={say("incoming.itSaysNothingOfItselfThese")}
              value={named.name}
              maxLength={120}
              onChange={(event) => setNamed({ ...named, name: event.target.value })}
            />
            <Field
              label={say("common.version")}
              value={named.version}
              maxLength={40}
              onChange={(event) => setNamed({ ...named, version: event.target.value })}
            />
          </div>
        )}
        {versions.length > 0 && (
          <p className="bg-saffron-soft rounded-md p-2">
            {isHere
              ? say("incoming.justThisLiesOnTheShelf")
              : say("incoming.theShelfHoldsItInAlready", {
                  versions: versions.map(({ version }) => version).join(", "),
                })}
          </p>
        )}
        {faults.map((plugin) => (
          <p key={plugin.name} className="text-brick">
            {say("incoming.cannotBeLoaded", { name: plugin.name, problem: sayProblem(plugin.problem!) })}
          </p>
        ))}
        {needs.length > 0 && (
          <Part title={say("incoming.itNeeds")}>
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
                      {say("incoming.switchItOnToo")}
                    </label>
                  )}
                </li>
              ))}
            </ul>
          </Part>
        )}
        <Part title={say("incoming.filesOfTheSameNames")}>
          {overlaps.length === 0 ? (
            <p className="text-ink2">{say("incoming.noneItOverridesNothingAndNothing")}</p>
          ) : (
            <ul>
              {overlaps.slice(0, mostShown).map(({ mod: other, files }) => (
                <li key={other}>
                  <b>{roster.stock.shelf.find(({ id }) => id === other)?.name ?? other}</b>:{" "}
                  {say("common.files2", { count: files.length })}{" "}
                  <span className="text-ink2 font-mono text-sm break-all">
                    {files[0]}
                    {files.length > 1 && " …"}
                  </span>
                </li>
              ))}
              {overlaps.length > mostShown && (
                <li className="text-ink2">
                  {say("incoming.andOtherMods", { count: overlaps.length - mostShown })}
                </li>
              )}
              <li className="text-ink2">{say("incoming.ofTwoThatAreOnThe")}</li>
            </ul>
          )}
        </Part>
        {sections.length > 0 && (
          <Part title={say("incoming.whereItWouldSit")}>
            <ul>
              {sections.map(({ key, what, section, choices }) => (
                <li key={key} className="flex min-h-7 items-center gap-2">
                  <span className="min-w-0 truncate font-mono text-sm">{what}</span>
                  <span className="shrink-0">{say("incoming.atTheEndOf")}</span>
                  {choices.length > 1 ? (
                    <Select
                      small
                      label={say("incoming.sectionOf", { what })}
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
        <SelectField
          label={say("common.inThisProfile")}
          beside
          value={way}
          options={arrivalWays.map((value) => ({ value, words: say(`incoming.way.${value}`) }))}
          onChoose={(value) => setWay(value as ArrivalWay)}
          className="w-72 max-w-full"
        />
        <div className="flex justify-end gap-2">
          <Button look="quiet" onClick={onLeave}>
            {say("common.cancel")}
          </Button>
          <Button look="main" disabled={busy || isHere} onClick={() => onTake(wanted)}>
            {busy ? say("incoming.adding") : say("incoming.addToShelf")}
          </Button>
        </div>
      </div>
    </Dialog>
  );
}
