"use client";

import { useDraggable } from "@dnd-kit/core";
import { ChevronDown, ChevronRight } from "lucide-react";
import { memo, type CSSProperties } from "react";
import type { Level } from "@/core/model/finding";
import type { SeatedPlugin } from "@/core/profile/roster";
import { SectionLetter } from "../kit/section-letter";
import { sectionHue } from "../kit/hues";
import { LevelMark } from "../kit/level";
import { Toggle } from "../kit/toggle";
import { gutterWidth } from "./tie-arcs";
import type { PlanRow } from "./plan-rows";

type BandRow = Extract<PlanRow, { kind: "section" }>;

export const SectionBand = memo(function SectionBand({
  row,
  onFold,
}: {
  row: BandRow;
  onFold: (section: string) => void;
}) {
  const Fold = row.collapsed ? ChevronRight : ChevronDown;
  return (
    <div
      role="gridcell"
      className="border-line bg-sunk flex h-full items-center gap-2 border-y"
      style={{ paddingLeft: gutterWidth }}
    >
      <button
        type="button"
        tabIndex={-1}
        aria-expanded={!row.collapsed}
        aria-label={`${row.collapsed ? "Unfold" : "Fold"} ${row.section.name}`}
        onClick={() => onFold(row.section.id)}
        className="text-ink3 hover:text-ink -ml-6 flex h-6 w-6 items-center justify-center"
      >
        <Fold size={14} aria-hidden />
      </button>
      <SectionLetter index={row.index} hue={row.section.hue} />
      <span className="font-bold">{row.section.name}</span>
      <span className="text-ink2 font-mono text-sm">{row.count}</span>
      <span className="text-ink2 truncate pr-3 text-sm">{row.section.guidance}</span>
    </div>
  );
});

export interface RowMark {
  readonly level: Level;
  readonly words: string;
}

interface Props {
  plugin: SeatedPlugin;
  sectionIndex: number;
  selected: boolean;
  focused: boolean;
  carried: boolean;
  barred: boolean;
  mark: RowMark | null;
  onToggle: (plugin: SeatedPlugin) => void;
}

export const kindWords = (plugin: SeatedPlugin): string =>
  plugin.fixed
    ? "built in"
    : [plugin.rank.id === "foundation" ? "foundation" : null, plugin.counting?.label.toLowerCase()]
        .filter(Boolean)
        .join(", ");

/** Says how it stands with a plugin, for the switch. */
const toggleLabel = ({ id, fixed, entry, loads, mod }: SeatedPlugin): string => {
  if (fixed) return `${id} is built in and always on`;
  if (!mod) return `${id}: its mod is not on the shelf`;
  if (entry.on && !loads) return `${id} is on, but its mod is off`;
  return `${id} is ${entry.on ? "on" : "off"}`;
};

export const PluginRow = memo(function PluginRow({
  plugin,
  sectionIndex,
  selected,
  focused,
  carried,
  barred,
  mark,
  onToggle,
}: Props) {
  const { listeners, setNodeRef } = useDraggable({ id: plugin.id, disabled: plugin.fixed });
  const struck = plugin.loads ? "" : "text-ink3 line-through decoration-1";
  const back = selected
    ? "bg-pine-soft"
    : barred
      ? "bg-[repeating-linear-gradient(135deg,var(--sunk)_0_6px,var(--line)_6px_7px)]"
      : "bg-surface";
  return (
    <div
      ref={setNodeRef}
      {...listeners}
      data-plugin={plugin.id}
      className={`border-line flex h-full items-center border-b select-none ${back} ${carried ? "opacity-40" : ""} ${focused ? "outline-pine -outline-offset-2 outline-2" : ""}`}
      style={{ paddingLeft: gutterWidth }}
    >
      <span
        aria-hidden
        className="section-edge mr-2.5 h-full w-1 shrink-0"
        style={{ "--hue": sectionHue(plugin.section?.hue ?? sectionIndex).fill } as CSSProperties}
      />
      <span role="gridcell" className="w-10 shrink-0 font-mono text-sm">
        {plugin.seat}
      </span>
      <span role="gridcell" className="mr-2 flex shrink-0" onPointerDown={(event) => event.stopPropagation()}>
        <Toggle
          on={plugin.fixed || plugin.entry.on}
          half={!plugin.loads}
          locked={plugin.fixed}
          tabIndex={-1}
          label={toggleLabel(plugin)}
          onClick={() => onToggle(plugin)}
        />
      </span>
      <span role="gridcell" className={`min-w-0 grow basis-64 truncate font-mono text-sm ${struck}`}>
        {plugin.id}
      </span>
      <span role="gridcell" className="text-ink2 w-32 shrink-0 truncate text-sm">
        {kindWords(plugin)}
      </span>
      <span
        role="gridcell"
        className={`text-ink2 hidden w-40 shrink truncate text-sm min-[1120px]:block ${struck}`}
      >
        {plugin.fixed ? "the game" : (plugin.mod?.mod?.name ?? "not on the shelf")}
      </span>
      <span
        role="gridcell"
        className="text-ink2 flex w-32 shrink-0 items-center justify-end gap-1.5 truncate pr-3 text-sm"
      >
        {mark && <LevelMark level={mark.level} />}
        <span className="truncate">
          {mark?.words ?? (plugin.fixed ? "fixed" : plugin.entry.home ? "raised" : "")}
        </span>
      </span>
    </div>
  );
});
