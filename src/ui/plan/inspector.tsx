"use client";

import Link from "next/link";
import { useDeferredValue, useMemo, useState } from "react";
import { findingText } from "@/core/messages/findings";
import { sentence, type Sentence } from "@/core/messages/parts";
import { chainText, tieText } from "@/core/messages/reasons";
import type { Link as OrderLink } from "@/core/model/problem";
import { whyHere } from "@/core/order/explain";
import { rangeInAnyOrder } from "@/core/order/ranges";
import { readAdvice } from "@/core/profile/books";
import { dependentsOf } from "@/core/profile/dependents";
import { switchPlugins } from "@/core/profile/edits";
import { addRule } from "@/core/profile/rule-edits";
import { freeGaps } from "@/core/profile/place";
import type { Roster, SeatedPlugin } from "@/core/profile/roster";
import { numbersOf } from "@/core/profile/seat-target";
import { letterOf } from "@/core/profile/seats";
import { isBroken, type DirectTie, type TieIndex } from "@/core/profile/ties";
import { Button } from "../kit/button";
import { LevelMark } from "../kit/level";
import { Part } from "../kit/part";
import { ItemName, Say } from "../kit/sentence";
import { RuleDialog, type RuleStart } from "../rules/rule-dialog";
import { ruleNotes } from "../workspace/rule-notes";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { kindWords } from "./plan-row";
import { WhyBetween } from "./why-between";

const mostListed = 12;

/** Everything about the selected plugin, and always: why here? */
export function Inspector({ onMoveTo }: { onMoveTo: () => void }) {
  const roster = useEditor((state) => state.roster);
  const selected = useEditor((state) => state.selected);
  const plugin = selected.length === 1 ? roster.pluginOf.get(selected[0]!) : undefined;
  return (
    <aside
      aria-label="Inspector"
      className="border-line bg-surface flex h-full w-[300px] shrink-0 flex-col overflow-hidden border-l"
    >
      <div tabIndex={0} className="min-h-0 grow space-y-4 overflow-auto p-3.5">
        {plugin ? (
          <AboutPlugin plugin={plugin} roster={roster} />
        ) : (
          <NothingOrMany roster={roster} ids={selected} />
        )}
      </div>
      {selected.length > 0 && <InspectorActions onMoveTo={onMoveTo} />}
    </aside>
  );
}

function NothingOrMany({ roster, ids }: { roster: Roster; ids: readonly string[] }) {
  const [one, other] = ids.map((id) => roster.pluginOf.get(id)!);
  if (one && other)
    return (
      <>
        <p className="text-ink2">
          {ids.length} plugins are selected. Drag them, or move them to a seat; they keep their order among
          themselves.
        </p>
        {ids.length === 2 && <WhyBetween plugins={[one, other]} />}
      </>
    );
  return (
    <div className="text-ink2 space-y-2">
      <p className="text-ink font-bold">Who sits where, and why?</p>
      <p>Select a plugin to see what ties it to its seat, what it needs, and what would fall with it.</p>
      <p>
        What stands at the top loads first. What loads later wins. Press{" "}
        <kbd className="font-mono text-sm">?</kbd> for the keys.
      </p>
    </div>
  );
}

function AboutPlugin({ plugin, roster }: { plugin: SeatedPlugin; roster: Roster }) {
  const ties = useEditor((state) => state.ties);
  const findings = useEditor((state) => state.findings).filter(
    ({ subjects }) => subjects[0]?.id === plugin.id,
  );
  return (
    <>
      <header>
        <h2 className="text-lg font-bold break-words">
          <span className="text-pine mr-2 font-mono">{plugin.seat}</span>
          <span className="font-mono">{plugin.id}</span>
        </h2>
        <p className="text-ink2 mt-0.5">{originWords(plugin)}</p>
        {plugin.file?.header?.description && <p className="mt-1.5">{plugin.file.header.description}</p>}
      </header>
      {findings.map((finding, at) => (
        <p key={at} className="bg-sunk flex gap-2 rounded-md p-2">
          <span className="pt-0.5">
            <LevelMark level={finding.level} label={finding.level} />
          </span>
          <span>
            <Say parts={findingText[finding.id]!(finding.data)} />
          </span>
        </p>
      ))}
      <WhyHere plugin={plugin} roster={roster} ties={ties} />
      {!plugin.fixed && <FreeRange plugin={plugin} roster={roster} ties={ties} />}
      <FromBooks plugin={plugin} roster={roster} />
      <Masters plugin={plugin} roster={roster} />
      <Dependents plugin={plugin} roster={roster} />
    </>
  );
}

function originWords({ fixed, mod, file, ...rest }: SeatedPlugin): string {
  const kind = kindWords({ fixed, mod, file, ...rest });
  const records = file?.header ? ` · ${file.header.records} records` : "";
  if (fixed) return `Built in: the game loads it at this place, always${records}`;
  if (!mod?.mod) return "Its mod is not on the shelf";
  const by = mod.mod.author ? ` by ${mod.mod.author}` : "";
  return `From ${mod.mod.name} ${mod.mod.version}${by} · ${kind}${records}`;
}

/** The engine's answer where ties hold only of groups of plugins: load ranks and sections, by their nearest item. */
function borderTies(ties: TieIndex, id: string): OrderLink[] {
  const why = whyHere(ties.constraints, id);
  const isBorder = ({ because }: OrderLink) => because === "class" || because === "section";
  return [why?.above.find(isBorder), why?.below.find(isBorder)].filter((link) => link !== undefined);
}

function WhyHere({ plugin, roster, ties }: { plugin: SeatedPlugin; roster: Roster; ties: TieIndex }) {
  const placeOf = (id: string) => roster.pluginOf.get(id)!.place;
  const builtInLast = (tie: DirectTie) => Number(roster.pluginOf.get(tie.earlier)!.fixed);
  const own = [...ties.of(plugin.id)].sort(
    (a, b) =>
      Number(isBroken(b, placeOf)) - Number(isBroken(a, placeOf)) ||
      builtInLast(a) - builtInLast(b) ||
      nearness(a, plugin, placeOf) - nearness(b, plugin, placeOf),
  );
  const notes = ruleNotes(roster);
  return (
    <Part title="Why here?">
      <ul className="border-pine space-y-1.5 border-l-2 pl-3">
        <li>
          <Say parts={sectionText(plugin, roster)} />
        </li>
        {own.slice(0, mostListed).map((tie, at) => (
          <li key={at} className={isBroken(tie, placeOf) ? "text-brick" : ""}>
            <Say parts={tieText(tie, plugin.id, notes)} />
            {isBroken(tie, placeOf) && <b> Broken now.</b>}
            {tie.strength === "prefer" && <span className="text-ink3"> (prefer)</span>}
          </li>
        ))}
        {own.length > mostListed && <li className="text-ink3">and {own.length - mostListed} more</li>}
        {borderTies(ties, plugin.id).map((link, at) => (
          <li key={`border ${at}`} className="text-ink2">
            <Say parts={[...chainText([link], notes), "."]} />
          </li>
        ))}
        {plugin.entry.fresh && (
          <li>
            It arrived by itself and nobody has placed it yet; an accepted proposal or a move places it.
          </li>
        )}
        {own.length === 0 && (
          <li>No other plugin ties it: within its section it is free, and stands where you put it.</li>
        )}
      </ul>
    </Part>
  );
}

/** The tightest ties first: those with what stands nearest. */
function nearness(tie: DirectTie, { id, place }: SeatedPlugin, placeOf: (id: string) => number): number {
  return Math.abs(placeOf(tie.earlier === id ? tie.later : tie.earlier) - place);
}

function sectionText({ section, rank, entry }: SeatedPlugin, roster: Roster): Sentence {
  const { sections } = roster.profile.state.plugins;
  const at = sections.findIndex((each) => each.id === section?.id);
  const name = `${letterOf(Math.max(0, at))} ${section?.name ?? ""}`;
  if (!entry.home) return sentence`In ${name}, among the ${rank.label} plugins.`;
  const home = sections.find((each) => each.id === entry.home)?.name ?? entry.home;
  return sentence`It belongs to ${home}, but must follow something in ${name}.`;
}

function FreeRange({ plugin, roster, ties }: { plugin: SeatedPlugin; roster: Roster; ties: TieIndex }) {
  const free = freeGaps(roster, ties, [plugin.id]);
  const any = useMemo(() => rangeInAnyOrder(ties.constraints, plugin.place), [ties, plugin.place]);
  // Of the whole list, and not what is looked at first after a move.
  const later = useDeferredValue(roster);
  const number = useMemo(
    () => numbersOf(later).find((each) => each.id === plugin.id)?.number,
    [later, plugin.id],
  );
  const total = roster.plugins.length;
  const seatAt = (gap: number) => roster.plugins[gap]?.seat ?? "";
  const share = (place: number) => `${(100 * place) / Math.max(1, total - 1)}%`;
  const wide = free.from < free.to;
  const words = wide
    ? `May sit from ${seatAt(free.from)} to ${seatAt(free.to)} while the others stay`
    : free.from === free.to
      ? "May sit only here while the others stay"
      : "No seat keeps all its ties while the others stay";
  return (
    <Part title={words}>
      <div className="border-line bg-sunk relative h-5 overflow-hidden rounded border" aria-hidden>
        {wide && (
          <span
            className="border-pine bg-pine-soft absolute inset-y-0 border-x-2"
            style={{ left: share(free.from), width: share(free.to - free.from) }}
          />
        )}
        <span className="bg-saffron absolute inset-y-0 w-[3px]" style={{ left: share(plugin.place) }} />
      </div>
      <div className="text-ink3 mt-0.5 flex justify-between font-mono text-xs" aria-hidden>
        <span>{seatAt(0)}</span>
        <span>{seatAt(total - 1)}</span>
      </div>
      <p className="text-ink2 mt-1">
        In any order that keeps its ties: place {any.first + 1} to {any.last + 1} of {total}. Its number is{" "}
        <span className="font-mono">{number}</span>, at ten for each section.
      </p>
    </Part>
  );
}

/** Notes and blend advice of the rulebooks in use; what is amiss stands among the findings. */
function FromBooks({ plugin, roster }: { plugin: SeatedPlugin; roster: Roster }) {
  const told = readAdvice(roster)(plugin).filter(
    ({ advice }) => advice.kind === "note" || advice.kind === "blend",
  );
  if (told.length === 0) return null;
  return (
    <Part title="From the rulebooks">
      {told.map(({ book, advice }, at) => (
        <p key={at}>
          {advice.kind === "blend" && <b>Blend: </b>}
          {advice.text ?? "its lists want to be blended"} <span className="text-ink3">({book.name})</span>
        </p>
      ))}
    </Part>
  );
}

function Masters({ plugin, roster }: { plugin: SeatedPlugin; roster: Roster }) {
  if (plugin.masters.length === 0) return null;
  return (
    <Part title="Masters">
      <ul className="space-y-1">
        {plugin.masters.map(({ name, id }) => {
          const master = id === null ? undefined : roster.pluginOf.get(id);
          const word = !master ? "missing" : master.fixed ? "built in" : master.loads ? "on" : "off";
          return (
            <li key={name} className="flex gap-2">
              <span className="grow break-words">{master ? <ItemName id={master.id} /> : <b>{name}</b>}</span>
              <span
                className={word === "missing" || word === "off" ? "text-brick font-semibold" : "text-ink2"}
              >
                {word}
              </span>
            </li>
          );
        })}
      </ul>
    </Part>
  );
}

function Dependents({ plugin, roster }: { plugin: SeatedPlugin; roster: Roster }) {
  const fallen = dependentsOf(roster, plugin.id);
  if (fallen.length === 0 || plugin.fixed) return null;
  return (
    <Part title={`If this goes off, ${fallen.length} more ${fallen.length === 1 ? "falls" : "fall"}`}>
      <ul className="space-y-1">
        {fallen.slice(0, mostListed).map(({ id }) => (
          <li key={id}>
            <ItemName id={id} />
          </li>
        ))}
        {fallen.length > mostListed && <li className="text-ink3">and {fallen.length - mostListed} more</li>}
      </ul>
    </Part>
  );
}

function InspectorActions({ onMoveTo }: { onMoveTo: () => void }) {
  const { editor } = useWorkspace();
  const selected = useEditor((state) => state.selected);
  const roster = useEditor((state) => state.roster);
  const plugins = selected.map((id) => roster.pluginOf.get(id)!).filter((plugin) => !plugin.fixed);
  const [start, setStart] = useState<RuleStart | null>(null);
  if (plugins.length === 0) return null;
  const turnOn = plugins.some((plugin) => !plugin.loads);
  const mod = plugins.length === 1 ? plugins[0]!.mod : null;
  const turn = () => {
    const edit = switchPlugins(
      roster,
      plugins.map((plugin) => plugin.id),
      turnOn,
    );
    if (edit) editor.dispatch(edit);
  };
  return (
    <footer className="border-line flex flex-wrap gap-2 border-t p-3">
      <Button onClick={onMoveTo}>Move to…</Button>
      <Button onClick={() => setStart({ about: plugins.map((plugin) => plugin.id) })}>Remember…</Button>
      <RuleDialog
        start={start}
        onClose={() => setStart(null)}
        onStore={(rule) => editor.dispatch(addRule(rule))}
      />
      <Button onClick={turn}>Switch {turnOn ? "on" : "off"}</Button>
      {mod && (
        <Link
          href={`/shelf?mod=${encodeURIComponent(mod.id)}`}
          className="text-ink2 hover:bg-sunk hover:text-ink inline-flex h-8 items-center rounded-md px-3 font-semibold"
        >
          Its mod
        </Link>
      )}
    </footer>
  );
}
