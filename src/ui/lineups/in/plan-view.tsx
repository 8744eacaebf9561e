"use client";

import { say } from "@/core/language/say";
import { rich } from "../../kit/rich";
import { useCallback, useMemo, useState } from "react";
import { shortFingerprint } from "@/core/lineup/fingerprint";
import { basesOf } from "@/core/lineup/match-lines";
import { planImport, type ImportPlan, type PlanStatus } from "@/core/lineup/plan";
import { besideWords } from "@/core/messages/losses";
import { alteredText, unsaidWords } from "@/core/messages/verdict";
import { takeListIn } from "@/core/lineup/take-in";
import { makeRoster } from "@/core/roster/roster";
import type { TakeInWay } from "@/core/state/facet";
import type { ProfileId } from "@/core/model/ids";
import type { ResolvedList } from "@/formats/lineup/resolve";
import { formatSize } from "../../kit/format-size";
import { LevelMark } from "../../kit/level";
import { useDepot } from "../../depot/depot.client";
import { GetFiles } from "../../depot/get-missing";
import { HandChanges } from "../../conflicts/hand-changes";
import { Changes } from "../../profiles/differences";
import { LostChanges } from "../follow/lost-changes";
import { useEditor } from "../../workspace/workspace.client";
import { ExtraMods, PlannedMods } from "./planned-mods";
import { BelowFollowers } from "./recognised";
import { TargetForm, type Way } from "./target-form";
import { AllLines, NoNames, UnsureLines } from "./unsure-lines";

const groups: readonly PlanStatus[] = ["to-get", "other", "by-hand", "to-build", "not-to-be-had", "found"];

/** What a list would bring, before anything is changed: what is here, what can be got, what cannot, and into what it comes. */
export function PlanView({
  resolved,
  fileName,
  onAnswer,
  onMerge,
  onLeave,
  onAccepted,
}: {
  resolved: ResolvedList;
  fileName: string;
  onMerge: (profile: ProfileId) => void;
  onAnswer: (line: string, id: string | null) => void;
  onLeave: () => void;
  onAccepted: () => void;
}) {
  const { game, stock } = useEditor((state) => state.view);
  const { mods: depot } = useDepot();
  const [keepMine, setKeepMine] = useState<ReadonlySet<string>>(new Set());
  const { lineup, matches } = resolved;
  const present = useEditor((state) => state.roster.mods);
  const plan = useMemo(
    () => planImport(game, lineup, stock, depot ?? [], present, basesOf(matches)),
    [game, lineup, stock, depot, present, matches],
  );
  const [way, setWay] = useState<Way>("new");
  const wanted = plan.toGet.filter(({ wanted: { id }, status }) => status === "to-get" || !keepMine.has(id));
  const turn = useCallback(
    (ids: readonly string[], mine: boolean) =>
      setKeepMine((now) => new Set(mine ? [...now, ...ids] : [...now].filter((id) => !ids.includes(id)))),
    [],
  );
  return (
    <div className="grid min-h-0 grow grid-cols-[minmax(0,1fr)] max-md:overflow-auto md:grid-cols-[minmax(0,1fr)_16.25rem] xl:grid-cols-[minmax(0,1fr)_21.25rem]">
      <div className="flex min-h-0 min-w-0 flex-col">
        <div className="min-h-0 grow space-y-4 overflow-auto p-5">
          <Head resolved={resolved} fileName={fileName} />
          <Warnings resolved={resolved} plan={plan} />
          {way !== "new" && <WhatChanges resolved={resolved} way={way} keepMine={keepMine} />}
          <LeftOpen texts={lineup.open ?? []} />
          <UnsureLines lines={matches.filter(({ sure }) => !sure)} onAnswer={onAnswer} />
          <Unanswered resolved={resolved} />
          <NoNames matches={matches} />
          <NotCarried resolved={resolved} />
          {groups.map((status) => (
            <PlannedMods
              key={status}
              status={status}
              mods={
                status === "to-get"
                  ? plan.toGet.filter((each) => each.status === status)
                  : plan.mods.filter((each) => each.status === status)
              }
              keepMine={keepMine}
              onTurn={turn}
            />
          ))}
          <ExtraMods mods={plan.extra} way={way} />
          <AllLines matches={matches} />
        </div>
      </div>
      <aside
        aria-label={say("lineups.whereItGoes")}
        className="border-line min-h-0 space-y-4 overflow-auto border-l p-5"
      >
        <BelowFollowers resolved={resolved} onMerge={onMerge}>
          {wanted.length > 0 && (
            <div className="space-y-2">
              <GetFiles look="main" files={wanted.map(({ depot: offered }) => offered!)}>
                {say("lineups.getMissingMods", { count: wanted.length })}
                {formatSize(wanted.reduce((sum, { depot: offered }) => sum + offered!.mod.size, 0))}
              </GetFiles>
              <p className="text-ink2">{say("lineups.theyComeOntoTheShelfOne")}</p>
            </div>
          )}
          <TargetForm
            resolved={resolved}
            fileName={fileName}
            keepMine={[...keepMine]}
            way={way}
            onWay={setWay}
            onAccepted={onAccepted}
            onLeave={onLeave}
          />
        </BelowFollowers>
      </aside>
    </div>
  );
}

function Head({
  resolved: { lineup, format, claim },
  fileName,
}: {
  resolved: ResolvedList;
  fileName: string;
}) {
  const on = lineup.mods.filter((mod) => mod.on).length;
  return (
    <header>
      <h2 className="text-xl font-bold">{lineup.title}</h2>
      <p className="text-ink2">
        {[
          lineup.author && say("common.by2", { author: lineup.author }),
          lineup.listVersion && say("lineups.version", { listVersion: lineup.listVersion }),
          lineup.date.slice(0, 10),
          say("lineups.from", { format, fileName: fileName.slice(0, 80) }),
        ]
          .filter(Boolean)
          .join(" · ")}
      </p>
      <p className="text-ink2">
        {say("lineups.modsOnOff", { on, count: lineup.mods.length - on })}
        {lineup.plugins.length > 0 && `, ${say("common.plugins3", { count: lineup.plugins.length })}`}
        {claim.fingerprint !== null && (
          <>
            {rich("lineups.fingerprint", {
              text: <span className="text-ink font-mono">{shortFingerprint(claim.fingerprint)}</span>,
            })}
          </>
        )}
      </p>
      {lineup.note && <p className="mt-2 whitespace-pre-wrap">{lineup.note}</p>}
    </header>
  );
}

function Warnings({ resolved, plan }: { resolved: ResolvedList; plan: ImportPlan }) {
  const { claim, unknown, lineup } = resolved;
  const told = lineup.mods.filter(({ terms }) => terms);
  const warnings = [
    claim.altered.length > 0 && alteredText(claim.altered),
    claim.fingerprint === null && claim.altered.length === 0 && say("lineups.itCarriesNoFingerprintOfIts"),
    unknown.length > 0 &&
      say("lineups.modsOfTheCodeAreKnown", {
        count: unknown.length,
        rest: unknown.some(({ named }) => named)
          ? `: ${unknown.flatMap(({ named }) => named?.name ?? []).join(", ")}`
          : "",
      }),
    plan.gameVersion !== null && say("lineups.itWasMadeForVersionOf", { gameVersion: plan.gameVersion }),
    ...plan.expansionsMissing.map((name) => say("lineups.itUsesTheExpansionWhichIs", { name })),
    ...plan.baseDifferent.map((name) => say("lineups.ofTheGameItselfIsAnother", { name })),
    told.length > 0 &&
      say("lineups.toBePaidForOrNot", {
        told: told.map(({ name, terms }) => `${name} (${terms!.where})`).join(", "),
      }),
  ].filter((text) => text !== false);
  return warnings.map((text) => (
    <p key={text} className="bg-saffron-soft flex gap-2 rounded-md px-3 py-2">
      <LevelMark level="problem" label={say("common.problem")} />
      <span>{text}</span>
    </p>
  ));
}

/** The profile that is worked on, as it would be after the list has come in. */
function WhatChanges({
  resolved: { lineup, claim },
  way,
  keepMine,
}: {
  resolved: ResolvedList;
  way: TakeInWay;
  keepMine: ReadonlySet<string>;
}) {
  const roster = useEditor((state) => state.roster);
  const there = useMemo(() => {
    const state = takeListIn(roster, { lineup, claim, keepMine }, way);
    return makeRoster(roster.game, { ...roster.profile, state }, roster.stock);
  }, [roster, lineup, claim, keepMine, way]);
  return (
    <>
      <HandChanges state={there.profile.state} />
      <LostChanges there={there} />
      <Changes there={there} />
    </>
  );
}

/** What a list of this format leaves behind: what it decides is then as it is here, or as authors propose. */
function NotCarried({ resolved: { claim, format } }: { resolved: ResolvedList }) {
  const { beside } = claim;
  if (claim.unsaid.length + beside.length === 0) return null;
  return (
    <section aria-labelledby="not-carried">
      <h3 id="not-carried" className="font-bold">
        {say("lineups.whatThisListDoesNotSay", { format })}
      </h3>
      <ul className="text-ink2 list-disc gap-8 pl-5 md:columns-2">
        {claim.unsaid.map((part) => (
          <li key={part}>{unsaidWords[part]}</li>
        ))}
        {beside.map((aspect) => (
          <li key={aspect}>{besideWords[aspect]}</li>
        ))}
      </ul>
    </section>
  );
}

/** What its curator knew of and did not mend. */
function LeftOpen({ texts }: { texts: readonly string[] }) {
  if (texts.length === 0) return null;
  return (
    <details className="bg-saffron-soft rounded-md px-3 py-2">
      <summary className="cursor-pointer">
        {say("lineups.itsCuratorLeftFindingsOpen", { count: texts.length })}
      </summary>
      <ul className="mt-1 max-h-48 list-disc overflow-auto pl-5">
        {texts.map((text, at) => (
          <li key={at}>{text}</li>
        ))}
      </ul>
    </details>
  );
}

/** What its user has said to be nothing of the list. */
function Unanswered({ resolved: { matches } }: { resolved: ResolvedList }) {
  const none = matches.filter(({ how, known }) => known === null && how === "answer");
  if (none.length === 0) return null;
  return (
    <p className="text-ink2">
      {say("lineups.leftOutAsYouSaid", { none: none.map(({ line }) => line.name).join(", ") })}
    </p>
  );
}
