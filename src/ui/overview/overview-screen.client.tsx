"use client";

import { say } from "@/core/language/say";
import { rich } from "../kit/rich";
import { useEffect, type ReactNode } from "react";
import { countByLevel } from "@/core/check/run-checks";
import { levels, type Finding } from "@/core/model/finding";
import type { ListName } from "@/core/model/profile";
import { factsOfRoster, fingerprintOf, shortFingerprint } from "@/core/lineup/fingerprint";
import { modsOn, placesUsed } from "@/core/roster/roster";
import { purposeWords } from "../profiles/purpose";
import { formatSize } from "../kit/format-size";
import { recipeOf } from "@/core/blend/decisions";
import { BlendStandingLine } from "../blend/blend-standing";
import { Gauge } from "../kit/gauge";
import { LevelMark, levelWord } from "../kit/level";
import { ProposeButton } from "../plan/propose-button";
import { ShelfReading } from "../shelf/shelf-reading";
import { mainList } from "@/core/model/game";
import { Copies } from "../order-file/copies";
import { OrderFileButton } from "../order-file/order-file-button";
import { useStanding } from "../order-file/standing";
import { Term } from "../kit/term";
import { useEditor } from "../workspace/workspace.client";
import { FindingsOverTime } from "./findings-over-time";
import { FirstSteps } from "./first-steps";
import { KeptFiles } from "./kept-files";
import { LastTrial } from "./last-trial";
import { NextAct } from "./next-act";
import { BaseItems, Expansions, LaunchSettings } from "./game-settings";
import { ProfileOfGame } from "./profile-of-game";
import { RestorePoints } from "./restore-points";
import { Since } from "./since";
import { SettingsFiles } from "./settings-files";
import { MissingAndUnused } from "./missing-and-unused";
import { ShelfPictures } from "./shelf-pictures";
import { SectionsChart } from "./sections-chart";
import { FollowedVerdict } from "../lineups/follow/followed-verdict";
import { ViewLink } from "../workspace/view-link";

/** How the present profile stands: numbers, places, findings, what the game reads. */
export function OverviewScreen() {
  const { roster, findings, checked, view, profile } = useEditor((state) => state);
  useEffect(() => {
    if (location.hash) document.querySelector(location.hash)?.scrollIntoView();
  }, []);
  const { words } = useStanding();
  const counts = countByLevel(findings);
  const main = mainList(view.game);
  const mods = roster.mods.filter((mod) => mod.mod);
  const size = mods.reduce((sum, { loads, mod }) => sum + (loads ? mod!.size : 0), 0);
  return (
    <div className="h-full overflow-auto">
      <header className="border-line flex items-end gap-3 border-b px-5 py-3">
        <div className="grow">
          <h1 className="text-xl font-bold">{profile.name}</h1>
          <p className="text-ink2">
            {say("overview.aSetInFingerprint", {
              purposeWords: purposeWords(profile.purpose),
              name: view.game.name,
              version: view.game.version,
            })}
            <span className="text-ink font-mono text-sm">
              {shortFingerprint(fingerprintOf(factsOfRoster(roster)))}
            </span>
          </p>
        </div>
        <ProposeButton of={listToPropose(findings)} />
      </header>
      <div className="grid gap-x-6 gap-y-5 px-5 py-4 md:grid-cols-[minmax(0,1fr)_17rem] lg:grid-cols-[minmax(0,1fr)_21rem]">
        <div className="min-w-0 space-y-5">
          <NextAct />
          <FirstSteps />
          <dl className="flex flex-wrap gap-x-8 gap-y-3">
            <Number
              label={say("overview.modsOn")}
              value={modsOn(roster)}
              of={view.stock.shelf.length}
              href="/shelf"
            />
            {main === "plugins" && (
              <Number
                label={say("overview.pluginsLoad")}
                value={roster.plugins.filter((plugin) => plugin.loads).length}
                of={roster.plugins.length}
                href="/plan"
              />
            )}
            <Number label={say("overview.onTheDisk")} value={formatSize(size)} href="/shelf?state=on" />
            {levels.map((level) => (
              <Number
                key={level}
                label={<Term word={level}>{levelWord(level, counts[level])}</Term>}
                value={checked ? counts[level] : "…"}
                mark={<LevelMark level={level} size={14} />}
                href={`/health?${levels
                  .filter((each) => each !== level)
                  .map((each) => `without=${each}`)
                  .join("&")}`}
              />
            ))}
          </dl>
          {roster.lists[main].items.length > 0 && (
            <section>
              <h2 className="mb-2 text-lg font-bold">{say("overview.bySection", { main })}</h2>
              <SectionsChart list={roster.lists[main]} />
            </section>
          )}
          <FindingsOverTime />
          {view.stock.shelf.length > 0 && (
            <section>
              <h2 className="mb-2 text-lg font-bold">{say("overview.theShelf")}</h2>
              <ShelfPictures />
            </section>
          )}
        </div>
        <div className="space-y-5">
          {view.game.counting.length > 0 && (
            <Side title={say("common.places")}>
              <div className="space-y-2">
                {placesUsed(roster).map(({ counting, used }) => (
                  <div key={counting.id} className="text-sm">
                    <Gauge label={counting.label} used={used} cap={counting.cap} wide />
                  </div>
                ))}
              </div>
            </Side>
          )}
          {view.followed && (
            <Side title={say("overview.theListThatItFollows")}>
              <FollowedVerdict />
            </Side>
          )}
          {recipeOf(profile.state) && (
            <Side title={<Term word="blend">{say("blend.title")}</Term>}>
              <BlendStandingLine />
            </Side>
          )}
          <Side title={say("common.whatTheGameReads")}>
            <p className="text-ink2 mb-2">
              {rich("overview.liesInTheGameSFolder", {
                words,
                text: <span className="font-mono text-sm">{view.game.orderFile.path}</span>,
              })}
            </p>
            <ProfileOfGame />
            <OrderFileButton />
            <h3 className="text-ink2 mt-3 text-sm font-semibold">
              {say("common.copiesOfWhatAnotherProgramHad")}
            </h3>
            <Copies />
          </Side>
          {view.game.expansions.length > 0 && (
            <Side title={say("common.expansions")}>
              <Expansions />
            </Side>
          )}
          {view.game.baseItems && (
            <Side title={say("common.ofTheGameItself")}>
              <BaseItems />
            </Side>
          )}
          {view.game.launchSettings && (
            <Side title={say("overview.howItStarts")}>
              <LaunchSettings />
            </Side>
          )}
          {view.game.keptFiles && (
            <Side title={say("keptFiles.title")}>
              <KeptFiles />
            </Side>
          )}
          {view.game.settings && (
            <Side title={say("game.settings")}>
              <SettingsFiles />
            </Side>
          )}
          <Side title={say("overview.missingAndUnused")}>
            <MissingAndUnused />
          </Side>
          <Side title={<Term word="trial">{say("overview.lastTrial")}</Term>}>
            <LastTrial />
          </Side>
          {view.sinceRun && (
            <Side title={say("overview.sinceItLastRanWell")}>
              <Since changes={view.sinceRun} />
            </Side>
          )}
          <Side title={say("common.shelf")}>
            <ShelfReading />
            <p className="text-ink3 mt-2 font-mono text-sm break-all">{view.folders.shelves.join(", ")}</p>
          </Side>
          <Side title={<Term word="restore-point">{say("common.restorePoints")}</Term>}>
            <RestorePoints />
          </Side>
        </div>
      </div>
    </div>
  );
}

/** The list whose gravest finding an order would end, as findings come gravest first. */
function listToPropose(findings: readonly Finding[]): ListName | undefined {
  for (const { fixes } of findings)
    for (const { does } of fixes) if (does.act === "propose") return does.list;
  return undefined;
}

function Number({
  label,
  value,
  of,
  href,
  mark,
}: {
  label: ReactNode;
  value: number | string;
  of?: number;
  href: string;
  mark?: ReactNode;
}) {
  return (
    <div className="flex flex-col-reverse">
      <dt className="text-ink2 text-sm">{label}</dt>
      <dd>
        <ViewLink
          href={href}
          className="hover:text-pine flex items-center gap-1.5 font-mono text-xl font-semibold"
        >
          {mark}
          {value}
          {of !== undefined && (
            <span className="text-ink3 text-base font-normal">{say("overview.of", { of })}</span>
          )}
        </ViewLink>
      </dd>
    </div>
  );
}

function Side({ title, children }: { title: ReactNode; children: ReactNode }) {
  return (
    <section>
      <h2 className="border-line mb-2 border-b pb-1 font-bold">{title}</h2>
      {children}
    </section>
  );
}
