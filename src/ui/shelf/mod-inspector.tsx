"use client";

import { say } from "@/core/language/say";
import { useMemo, useState, type ReactNode } from "react";
import { hasWayOut, sayProblem } from "@/core/messages/problems";
import type { PluginFile, ShelfMod } from "@/core/model/shelf";
import { nodeKey } from "@/core/needs/need-graph";
import { hasParts } from "@/core/roster/parts";
import { neededWords, sayNeeded } from "@/core/messages/needed-too";
import { modName } from "@/core/messages/parts-of-mods";
import { dropMods } from "@/core/edit/edits";
import { countNeeded, neededToo, switchOnWithNeeds } from "@/core/edit/needed-too";
import { ConflictsInShort } from "../conflicts/about-mod";
import { HandsIfSwitched } from "../conflicts/hands-if-switched";
import { Button } from "../kit/button";
import { FindingLine } from "../findings/finding-line";
import { TextLink } from "../workspace/view-link";
import { healthOf } from "../health/health-address";
import { isAbout } from "@/core/check/about";
import { LevelMark } from "../kit/level";
import { PageLink } from "../kit/page-link";
import { Part } from "../kit/part";
import { AdviceOfItem } from "../advice/advice-of-item";
import { ItemNote } from "../plan/item-note";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { formatSize } from "../kit/format-size";
import { PartsDialog } from "../parts/parts-dialog";
import { NeededBy } from "../needs/needed-by";
import { PartsTaken } from "../parts/parts-taken";
import { VersionsOfMod } from "../versions/versions-of-mod";
import { IdentityDialog } from "./identity-dialog";
import { ableTo, sourceOf, type ShelfRow } from "./shelf-rows";
import { useGo } from "../workspace/use-go";
import type { SwitchMods } from "./use-switch-mods";

/** What a mod is, where it lies, and the plugins that it brings with their masters. */
export function ModInspector({
  row,
  selected,
  onSwitch,
}: {
  row: ShelfRow | null;
  selected: readonly ShelfRow[];
  onSwitch: SwitchMods;
}) {
  return (
    <>
      <div tabIndex={0} className="min-h-0 grow space-y-4 overflow-auto p-3.5">
        {selected.length > 1 && <SeveralMods rows={selected} />}
        {row ? <AboutMod row={row} /> : <p className="text-ink2">{say("shelf.selectAModToSeeWhat")}</p>}
      </div>
      {row && <ModActions key={row.key} row={row} onSwitch={onSwitch} />}
    </>
  );
}

/** What changes hands if those of them that are off went on, and the other way round. */
function SeveralMods({ rows }: { rows: readonly ShelfRow[] }) {
  const [off, on] = useMemo(() => [ableTo(rows, true), ableTo(rows, false)], [rows]);
  return (
    <Part title={say("shelf.selected", { count: rows.length })}>
      {off.length > 0 && <HandsIfSwitched mods={off} on />}
      {on.length > 0 && <HandsIfSwitched mods={on} on={false} />}
    </Part>
  );
}

function AboutMod({ row }: { row: ShelfRow }) {
  const { mod } = row;
  return (
    <>
      <header>
        <h2 className="text-lg font-bold break-words">{row.name}</h2>
        <p className="text-ink2">
          {[row.version, mod?.author && say("common.by2", { author: mod.author })].filter(Boolean).join(" ")}
        </p>
        {mod?.summary && <p className="mt-1.5">{mod.summary}</p>}
      </header>
      {mod?.problem && (
        <p className="bg-saffron-soft flex gap-2 rounded-md p-2">
          <LevelMark level="problem" label={say("common.problem")} />
          <span>
            {say("shelf.itIsIgnored", { problem: sayProblem(mod.problem) })}
            {!hasWayOut(mod.problem) && say("shelf.getItAgainFromItsAuthor")}
          </span>
        </p>
      )}
      {row.supersededBy && (
        <p className="bg-sunk rounded-md p-2">
          {row.seated?.mod?.version === row.supersededBy
            ? say("shelf.thisProfileHoldsVersionOfThis", { supersededBy: row.supersededBy })
            : say("shelf.versionOfThisModIsOn", { supersededBy: row.supersededBy })}
        </p>
      )}
      {mod && <Facts mod={mod} />}
      <FindingsOf row={row} />
      {row.seated?.loads && row.supersededBy === null && (
        <ConflictsInShort of="files" id={row.seated.id} title={say("common.conflicts")} />
      )}
      {row.seated && <ItemNote key={`note ${row.id}`} item={row.seated} />}
      {row.seated && <AdviceOfItem key={`advice ${row.id}`} item={row.seated} />}
      {row.seated && <VersionsOfMod key={`version ${row.id}`} item={row.seated} />}
      {row.seated && <PartsTaken key={row.id} item={row.seated} />}
      <Part title={say("shelf.usedIn")}>
        <p>
          {[
            ...(row.seated && row.supersededBy === null ? [say("common.thisProfile")] : []),
            ...row.profiles,
          ].join(", ") || say("shelf.noProfileUsesIt")}
        </p>
      </Part>
      <NeededBy key={`needs ${row.id}`} of={nodeKey("mod", row.id)} />
      {mod && mod.plugins.length > 0 && (
        <Part title={say("common.plugins2")}>
          <ul className="space-y-3">
            {mod.plugins.map((plugin) => (
              <PluginFacts key={plugin.name} plugin={plugin} />
            ))}
          </ul>
        </Part>
      )}
    </>
  );
}

/** Whether the game's awards stay possible, as the mod says. */
const awardsOf = (manifest: ShelfMod["manifest"]): string =>
  manifest?.awards === undefined
    ? ""
    : manifest.awards
      ? say("shelf.stayPossible")
      : say("shelf.areSwitchedOffByIt");

const day = (at: string | null | undefined): string => at?.slice(0, 10) ?? "";

function Facts({ mod }: { mod: ShelfMod }) {
  const roster = useEditor((state) => state.roster);
  const { manifest } = mod;
  const mono = (text: string | null) => text && <span className="font-mono text-sm break-all">{text}</span>;
  const names = (ids: readonly string[]) => ids.map((id) => modName(roster, id)).join(", ");
  const expansions = (manifest?.expansions ?? []).map(
    (id) => roster.game.expansions.find((each) => each.id === id)?.name ?? id,
  );
  const rows: (readonly [string, ReactNode])[] = [
    [say("shelf.liesIn"), mono(mod.path)],
    [
      say("common.kind"),
      `${mod.kind}, ${sourceOf(mod) === "depot" ? say("shelf.fromTheDepot") : say("shelf.local")}`,
    ],
    [say("common.size"), `${formatSize(mod.size)}, ${say("common.files", { files: mod.files })}`],
    [say("common.added"), mono(day(mod.added))],
    [say("shelf.updated"), mono(day(mod.updated))],
    [say("common.tags"), mod.tags.join(", ")],
    [say("common.page"), manifest?.page && <PageLink page={manifest.page} />],
    [say("shelf.for"), manifest?.gameVersions && mono(`${roster.game.name} ${manifest.gameVersions}`)],
    [say("shelf.awards"), awardsOf(manifest)],
    [
      say("shelf.needs"),
      (manifest?.requires ?? []).map((each) => requirement(each, roster.modOf.has(each.mod))).join(", "),
    ],
    [say("shelf.clashes"), names((manifest?.clashes ?? []).map((clash) => clash.mod))],
    [say("common.expansions"), expansions.join(", ")],
    [say("common.contents"), mono(mod.content?.slice(0, 12) ?? null)],
  ];
  return (
    <dl className="grid grid-cols-[4.5rem_minmax(0,1fr)] gap-y-1">
      {rows
        .filter(([, value]) => Boolean(value))
        .map(([name, value]) => (
          <div key={name} className="contents">
            <dt className="text-ink3">{name}</dt>
            <dd>{value}</dd>
          </div>
        ))}
    </dl>
  );
}

/** What is found about a mod and its plugins. */
function FindingsOf({ row }: { row: ShelfRow }) {
  const findings = useEditor((state) => state.findings);
  const roster = useEditor((state) => state.roster);
  if (row.findings === 0) return null;
  const own = findings.filter((finding) => isAbout(roster, finding, row.id));
  return (
    <Part title={say("shelf.findings", { count: own.length })}>
      <ul className="space-y-1">
        {own.map((finding, at) => (
          <li key={at}>
            <FindingLine finding={finding} />
          </li>
        ))}
      </ul>
      <p className="mt-1 text-sm">
        <TextLink href={healthOf(row.id)}>{say("plan.waysOutInHealth")}</TextLink>
      </p>
    </Part>
  );
}

const requirement = (
  { mod, versions, reason }: { mod: string; versions?: string | undefined; reason?: string | undefined },
  present: boolean,
): string =>
  [mod, versions, reason && `(“${reason}”)`, present ? "" : say("shelf.notInThisProfile2")]
    .filter(Boolean)
    .join(" ");

function PluginFacts({ plugin }: { plugin: PluginFile }) {
  const { editor } = useWorkspace();
  const go = useGo();
  const seated = useEditor((state) => state.roster.pluginOf.get(plugin.name));
  const show = () => {
    editor.select([plugin.name], plugin.name, "plugins");
    go("/plan");
  };
  return (
    <li className="border-line border-l-2 pl-2.5">
      <p className="flex items-baseline gap-2">
        {seated && <span className="text-pine font-mono text-sm font-semibold">{seated.seat}</span>}
        <span className="grow font-mono text-sm font-semibold break-all">{plugin.name}</span>
        {seated && (
          <span className="text-ink2 text-sm">
            {seated.loads ? say("overview.loads") : say("common.off")}
          </span>
        )}
      </p>
      {plugin.problem && (
        <p className="text-brick">{say("shelf.itCannotBeLoaded", { problem: sayProblem(plugin.problem) })}</p>
      )}
      {plugin.header && (
        <p className="text-ink2 text-sm">
          {say("shelf.records", { records: plugin.header.records })}
          {plugin.header.lists > 0 && `, ${say("shelf.additiveLists", { lists: plugin.header.lists })}`}
          {plugin.header.masters.length > 0 && (
            <>{say("shelf.needs2", { masters: plugin.header.masters.join(", ") })}</>
          )}
        </p>
      )}
      {seated && (
        <Button small look="quiet" className="-ml-2" onClick={show}>
          {say("shelf.showInThePlan")}
        </Button>
      )}
    </li>
  );
}

/** What is on offer for a mod; one that is added and has parts asks which are wanted at once. */
function ModActions({ row, onSwitch }: { row: ShelfRow; onSwitch: SwitchMods }) {
  const { editor } = useWorkspace();
  const { mod, seated } = row;
  const only = useMemo(() => (mod ? [mod] : []), [mod]);
  const drop = () => {
    const edit = dropMods(editor.getState().roster, [row.id]);
    if (edit) editor.dispatch(edit);
  };
  const [asking, setAsking] = useState(false);
  const [identifying, setIdentifying] = useState(false);
  const ask = () => {
    if (!seated && hasParts(mod?.manifest ?? null)) setAsking(true);
  };
  const usable = mod && !mod.problem && !row.supersededBy;
  const isNamedByPath = mod !== null && !mod.problem && mod.manifest === null;
  if (!usable && !seated && !isNamedByPath) return null;
  return (
    <div className="border-line flex flex-wrap gap-2 border-t p-3">
      {usable && (
        <div className="w-full">
          <HandsIfSwitched mods={only} on={!seated?.loads} />
        </div>
      )}
      {usable && !seated?.loads && <WithNeeds mod={mod} onDone={ask} />}
      {usable && (
        <Button
          onClick={() => {
            onSwitch([mod], !seated?.loads);
            ask();
          }}
        >
          {seated?.loads ? say("shelf.switchOff") : say("shelf.switchOn2")}
        </Button>
      )}
      {seated && !row.supersededBy && (
        <Button look="quiet" onClick={drop}>
          {say("shelf.takeOutOfThisProfile")}
        </Button>
      )}
      {isNamedByPath && (
        <Button look="quiet" onClick={() => setIdentifying(true)}>
          {say("shelf.nameAndVersionOf")}
        </Button>
      )}
      {isNamedByPath && <IdentityDialog open={identifying} onClose={() => setIdentifying(false)} mod={mod} />}
      <PartsDialog item={asking ? seated : null} onClose={() => setAsking(false)} />
    </div>
  );
}

/** What a mod that is off would need and clash with, and a way to switch it on with all that it needs. */
function WithNeeds({ mod, onDone }: { mod: ShelfMod; onDone: () => void }) {
  const { editor } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const too = useMemo(() => neededToo(roster, [mod]), [roster, mod]);
  const words = sayNeeded(roster, [mod], too);
  if (!words) return null;
  const switchOn = () => {
    const edit = switchOnWithNeeds(roster, [mod]);
    if (edit && editor.dispatch(edit).ok) onDone();
  };
  return (
    <>
      <p className="w-full">{words}</p>
      {countNeeded(roster, too) > 0 && (
        <Button look="main" onClick={switchOn}>
          {say("shelf.switchOnWith", { neededWords: neededWords(roster, 1, too) })}
        </Button>
      )}
    </>
  );
}
