"use client";

import { useEffect, useState } from "react";
import { settingEdit } from "@/core/edit/settings";
import { typedSetting } from "@/core/edit/typed-setting";
import { say } from "@/core/language/say";
import { plainText } from "@/core/messages/parts";
import { sayRefusal } from "@/core/messages/refusals";
import type { Outcome } from "@/core/model/outcome";
import { settingKey, type SettingChoice, type SettingsFile } from "@/core/model/settings";
import { settingPlaces, wantedAt, type SettingPlace } from "@/core/roster/settings";
import type { SettingNow } from "@/server/operations/settings";
import { Button } from "../kit/button";
import { Field } from "../kit/field";
import { Select } from "../kit/select";
import { TypedField } from "../kit/typed-field";
import { useModTitles } from "../workspace/use-mod-titles";
import { readSettingsNow } from "../workspace/server";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** What stands in the game's files now, once what was decided is stored; null before it is known. */
function useNow(): Outcome<SettingNow[]> | null {
  const { editor } = useWorkspace();
  const profile = useEditor((state) => state.profile);
  const onDisk = useEditor((state) => state.onDisk);
  const [now, setNow] = useState<Outcome<SettingNow[]> | null>(null);
  useEffect(() => {
    let isWanted = true;
    void editor
      .settled()
      .then(() => readSettingsNow(profile.id))
      .then((found) => isWanted && setNow(found));
    return () => {
      isWanted = false;
    };
  }, [editor, profile, onDisk]);
  return now;
}

/** Every place of the game's files of settings of which mods or the profile want something: what stands there, and what will. */
export function SettingsLines() {
  const roster = useEditor((state) => state.roster);
  const { editor } = useWorkspace();
  const now = useNow();
  const places = settingPlaces(roster);
  const written = new Map(now?.ok ? now.value.map((each) => [settingKey(each), each.written]) : []);
  const decide = (place: Pick<SettingPlace, "file" | "at">, value: SettingChoice["value"] | undefined) => {
    const edit = settingEdit(roster, place, value);
    if (edit) editor.dispatch(edit);
  };
  const files = roster.game.settings ?? [];
  return (
    <div className="space-y-4">
      {now && !now.ok && (
        <p role="alert" className="text-brick">
          {plainText(sayRefusal(now.refusal))}
        </p>
      )}
      {places.length === 0 ? (
        <p className="text-ink2">{say("settings.none")}</p>
      ) : (
        <table className="w-full border-collapse text-left">
          <thead>
            <tr className="text-ink2 border-line border-b text-sm">
              {(["place", "inTheFile", "willBe", "who"] as const).map((column) => (
                <th key={column} scope="col" className="py-1 pr-3 font-semibold last:pr-0">
                  {say(`settings.${column}`)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {places.map((place) => (
              <Row
                key={settingKey(place)}
                place={place}
                file={files.find(({ id }) => id === place.file)!}
                written={written.get(settingKey(place))}
                decide={(value) => decide(place, value)}
              />
            ))}
          </tbody>
        </table>
      )}
      <NewLine files={files} decide={decide} />
    </div>
  );
}

interface RowProps {
  place: SettingPlace;
  file: SettingsFile;
  /** As it stands in the file; undefined before that is known. */
  written: string | null | undefined;
  decide: (value: SettingChoice["value"] | undefined) => void;
}

function Row({ place, file, written, decide }: RowProps) {
  const titleOf = useModTitles();
  const wanted = wantedAt(place);
  const asking = place.asked.at(-1);
  const who = place.decided === null ? "asked" : place.decided.value === null ? "leave" : "own";
  const own = wanted ?? { value: asking?.value ?? "" };
  return (
    <tr className="border-line border-b align-top">
      <td className="py-2 pr-3">
        <span className="font-mono text-sm break-all">{place.at}</span>
        <span className="text-ink3 block text-sm">
          {file.label}, <span className="font-mono">{file.path}</span>
        </span>
      </td>
      <td className="py-2 pr-3 font-mono text-sm break-all">
        {written === undefined ? "…" : (written ?? say("settings.nothing"))}
      </td>
      <td className="py-2 pr-3 text-sm">
        {who === "own" ? (
          <TypedField
            key={String(wanted!.value)}
            label={say("settings.valueAt", { at: place.at })}
            value={String(wanted!.value)}
            most={2000}
            onStore={(text) => decide(typedSetting(file.format, text))}
          />
        ) : wanted ? (
          <span className="font-mono break-all">{String(wanted.value)}</span>
        ) : (
          say("settings.asItIs")
        )}
        {place.asked.map(({ mod, value, reason }, at) => (
          <span key={at} className="text-ink3 block">
            {say(reason ? "settings.askedWhy" : "settings.asked", {
              mod: titleOf(mod),
              value: String(value),
              reason,
            })}
          </span>
        ))}
      </td>
      <td className="py-2">
        <Select
          small
          label={say("settings.whoAt", { at: place.at })}
          value={who}
          options={[
            asking
              ? { value: "asked", words: say("settings.asAsked", { mod: titleOf(asking.mod) }) }
              : { value: "asked", words: say("settings.takeOut") },
            { value: "own", words: say("settings.own") },
            { value: "leave", words: say("settings.leave") },
          ]}
          onChoose={(chosen) =>
            decide(chosen === "asked" ? undefined : chosen === "leave" ? null : own.value)
          }
          className="w-48"
        />
      </td>
    </tr>
  );
}

function NewLine({
  files,
  decide,
}: {
  files: readonly SettingsFile[];
  decide: (place: Pick<SettingPlace, "file" | "at">, value: SettingChoice["value"]) => void;
}) {
  const [chosen, setFile] = useState(files[0]?.id ?? "");
  const [at, setAt] = useState("");
  const [text, setText] = useState("");
  const file = files.find(({ id }) => id === chosen);
  if (!file) return null;
  return (
    <form
      className="flex flex-wrap items-start gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (at.trim() === "") return;
        decide({ file: file.id, at: at.trim() }, typedSetting(file.format, text));
        setAt("");
        setText("");
      }}
    >
      <div className="w-44">
        <span className="text-ink2 mb-1 block text-sm font-semibold">{say("common.file")}</span>
        <Select
          label={say("common.file")}
          value={chosen}
          options={files.map(({ id, label }) => ({ value: id, words: label }))}
          onChoose={setFile}
          className="w-full"
        />
      </div>
      <div className="min-w-52 grow">
        <Field
          label={say("settings.place")}
          hint={say(`settings.placeIn.${file.format}`)}
          value={at}
          maxLength={500}
          onChange={(event) => setAt(event.target.value)}
        />
      </div>
      <div className="w-40">
        <Field
          label={say("settings.value")}
          value={text}
          maxLength={2000}
          onChange={(event) => setText(event.target.value)}
        />
      </div>
      <Button type="submit" className="mt-[1.375rem]" disabled={at.trim() === ""}>
        {say("settings.addLine")}
      </Button>
    </form>
  );
}
