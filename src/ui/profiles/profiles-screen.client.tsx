"use client";

import { moment } from "../kit/moment";
import { say } from "@/core/language/say";
import type { ProfileId } from "@/core/model/ids";
import { useState } from "react";
import { countByLevel } from "@/core/check/run-checks";
import { levels } from "@/core/model/finding";
import { modsOn } from "@/core/roster/roster";
import type { ProfileListed } from "@/server/views/profile";
import type { StateSource } from "@/server/operations/profiles";
import { formatSize } from "../kit/format-size";
import { Term } from "../kit/term";
import { Button } from "../kit/button";
import { LevelCounts, LevelMark, levelWord } from "../kit/level";
import { bringBackProfile, deleteProfile } from "../workspace/server";
import { useGo } from "../workspace/use-go";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { Comparison } from "./differences";
import { NewProfileDialog, ProfileFactsDialog } from "./profile-dialogs";
import { purposeWords } from "./purpose";
import { keyOfSource, sourceOfKey, useSources } from "./sources";
import { SelectField } from "../kit/select";
import { Swatch } from "../kit/swatch";

/** All sets of a game side by side: what each is, and in what it differs from the one that is worked on. */
export function ProfilesScreen() {
  const present = useEditor((state) => state.profile.id);
  const profiles = useEditor((state) => state.view.profiles);
  const [chosen, setChosen] = useState<ProfileId | null>(null);
  const [making, setMaking] = useState(false);
  const kept = profiles.filter((each) => !each.deleted);
  const selected = kept.find((each) => each.id === (chosen ?? present)) ?? kept[0]!;
  return (
    <div className="flex h-full flex-col">
      <header className="border-line flex min-h-11 shrink-0 flex-wrap items-center gap-y-1 py-1 gap-3 border-b px-3">
        <h1 className="text-lg font-bold">
          <Term word="profile">{say("common.profiles")}</Term>
        </h1>
        <span className="text-ink2 font-mono text-sm">{say("common.profiles2", { count: kept.length })}</span>
        <Button className="ml-auto" onClick={() => setMaking(true)}>
          {say("common.newProfile")}
        </Button>
      </header>
      <div className="flex min-h-0 grow max-md:flex-col max-md:overflow-auto">
        <div className="border-line shrink-0 overflow-auto max-md:border-b md:w-[20rem] md:border-r">
          <ul aria-label={say("common.profiles")}>
            {kept.map((each) => (
              <ProfileRow
                key={each.id}
                profile={each}
                isPresent={each.id === present}
                isSelected={each.id === selected.id}
                onSelect={() => setChosen(each.id)}
              />
            ))}
          </ul>
          <Bin profiles={profiles.filter((each) => each.deleted)} />
        </div>
        <div className="min-w-0 grow overflow-auto">
          <ProfileDetail key={selected.id} profile={selected} isPresent={selected.id === present} />
        </div>
      </div>
      <NewProfileDialog open={making} onClose={() => setMaking(false)} />
    </div>
  );
}

function ProfileRow({
  profile,
  isPresent,
  isSelected,
  onSelect,
}: {
  profile: ProfileListed;
  isPresent: boolean;
  isSelected: boolean;
  onSelect: () => void;
}) {
  const on = useModsOn(profile, isPresent);
  const found = useFound(profile, isPresent);
  return (
    <li>
      <button
        type="button"
        aria-pressed={isSelected}
        onClick={onSelect}
        className={`border-line flex w-full items-start gap-2.5 border-b px-3 py-2 text-left ${isSelected ? "bg-pine-soft" : "hover:bg-sunk"}`}
      >
        <span className="pt-0.5">
          <Swatch hue={profile.hue} />
        </span>
        <span className="min-w-0 grow">
          <span className="block truncate font-semibold">{profile.name}</span>
          <span className="text-ink2 block truncate text-sm">
            {purposeWords(profile.purpose)}
            {isPresent && say("profiles.workedOnNow2")}
          </span>
          <FoundMarks found={found} />
        </span>
        <span className="text-ink2 text-right font-mono text-sm">
          {say("profiles.on", { on })}
          <span className="block">{formatSize(profile.size)}</span>
        </span>
      </button>
    </li>
  );
}

/** What the server counted of the present profile may be older than what is shown of it. */
function useModsOn(profile: ProfileListed, isPresent: boolean): number {
  const roster = useEditor((state) => state.roster);
  return isPresent ? modsOn(roster) : profile.modsOn;
}

type Found = ProfileListed["found"];

/** Of the present profile what is found now, else what was when it was last looked at. */
function useFound(profile: ProfileListed, isPresent: boolean): Found {
  const findings = useEditor((state) => state.findings);
  const checked = useEditor((state) => state.checked);
  return isPresent && checked ? countByLevel(findings) : profile.found;
}

/** How many findings there are of each level, by shape and number, and read out by word; nothing where nothing is known. */
function FoundMarks({ found }: { found: Found }) {
  const there = levels.filter((level) => found && found[level] > 0);
  if (!found || there.length === 0) return null;
  return (
    <span className="mt-0.5 flex gap-3 font-mono text-sm">
      {there.map((level) => (
        <span key={level} className="flex items-center gap-1">
          <LevelMark level={level} label={levelWord(level, found[level])} size={10} />
          {found[level]}
        </span>
      ))}
    </span>
  );
}

/** What was found of a profile, as the way to it: another profile is worked on then. */
function ToHealth({ profile, isPresent }: { profile: ProfileListed; isPresent: boolean }) {
  const { switchTo } = useWorkspace();
  const go = useGo();
  const found = useFound(profile, isPresent);
  if (!found) return null;
  const open = async () => {
    if (isPresent || (await switchTo(profile.id))) go("/health");
  };
  return (
    <Button className="gap-3" onClick={() => void open()}>
      <LevelCounts counts={found} />
    </Button>
  );
}

function Bin({ profiles }: { profiles: readonly ProfileListed[] }) {
  const { editor, unwrap, workOn } = useWorkspace();
  const game = useEditor((state) => state.view.game.id);
  if (profiles.length === 0) return null;
  const bringBack = async (id: ProfileId) => {
    await editor.settled();
    const back = await bringBackProfile(id, game);
    unwrap(back);
    if (back.ok) void workOn(id);
  };
  return (
    <section className="px-3 py-3">
      <h2 className="text-ink2 mb-1 text-sm font-semibold">{say("profiles.inTheBin")}</h2>
      <ul>
        {profiles.map((each) => (
          <li key={each.id} className="flex items-center gap-2 py-1">
            <Swatch hue={each.hue} />
            <span className="min-w-0 grow truncate">{each.name}</span>
            <Button small onClick={() => void bringBack(each.id)}>
              {say("common.bringBack")}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

function ProfileDetail({ profile, isPresent }: { profile: ProfileListed; isPresent: boolean }) {
  const { editor, unwrap, refresh, switchTo, tell } = useWorkspace();
  const [naming, setNaming] = useState(false);
  const [other, setOther] = useState<StateSource | null>(null);
  const on = useModsOn(profile, isPresent);
  const remove = async () => {
    await editor.settled();
    const outcome = await deleteProfile(profile.id);
    unwrap(outcome);
    if (outcome.ok) tell([say("profiles.liesInTheBinBelowThe", { name: profile.name })]);
    refresh();
  };
  const source = isPresent ? other : { profile: profile.id };
  return (
    <>
      <header className="border-line space-y-2 border-b px-5 py-3">
        <div className="flex flex-wrap items-center gap-2.5">
          <Swatch hue={profile.hue} />
          <h2 className="min-w-0 grow truncate text-xl font-bold">{profile.name}</h2>
          {!isPresent && (
            <Button look="main" onClick={() => void switchTo(profile.id)}>
              {say("profiles.switchToThisProfile")}
            </Button>
          )}
          <ToHealth profile={profile} isPresent={isPresent} />
          <Button onClick={() => setNaming(true)}>{say("profiles.editDetails")}</Button>
          <Button look="quiet" onClick={() => void remove()}>
            {say("profiles.moveToBin")}
          </Button>
        </div>
        <p className="text-ink2">
          {say("profiles.aSetOfModsOn", {
            purposeWords: purposeWords(profile.purpose),
            on,
            mods: profile.mods,
          })}
          {formatSize(profile.size)} ·{" "}
          <span suppressHydrationWarning>{say("profiles.made", { day: moment(profile.madeAt) })}</span> ·{" "}
          <span suppressHydrationWarning>
            {profile.ranAt
              ? say("profiles.lastRanWell", { day: moment(profile.ranAt) })
              : say("profiles.noTrialOfItRanYet")}
          </span>
        </p>
        {profile.note && (
          <p className="whitespace-pre-wrap">
            {profile.note}{" "}
            {profile.notedAt && (
              <span className="text-ink3 text-sm" suppressHydrationWarning>
                {moment(profile.notedAt)}
              </span>
            )}
          </p>
        )}
      </header>
      <section className="px-5 py-3" aria-label={say("profiles.comparison")}>
        {isPresent && <CompareWith value={other} onChoose={setOther} />}
        {source && <Comparison key={keyOfSource(source)} source={source} />}
      </section>
      <ProfileFactsDialog open={naming} onClose={() => setNaming(false)} profile={profile} />
    </>
  );
}

function CompareWith({
  value,
  onChoose,
}: {
  value: StateSource | null;
  onChoose: (source: StateSource | null) => void;
}) {
  const sources = useSources({ present: false });
  if (sources.length === 0) return <p className="text-ink2">{say("profiles.thereIsNothingToCompareIt")}</p>;
  return (
    <SelectField
      label={say("profiles.compareItWith")}
      beside
      value={value ? keyOfSource(value) : ""}
      options={[{ value: "", words: say("common.choose") }, ...sources]}
      onChoose={(key) => onChoose(sourceOfKey(key))}
      className="w-80 max-w-full"
    />
  );
}
