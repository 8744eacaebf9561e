"use client";

import { ChevronDown, ChevronRight, Lock, NotebookPen } from "lucide-react";
import { memo, type CSSProperties } from "react";
import type { Level } from "@/core/model/finding";
import { plural } from "@/core/messages/parts";
import { kindsOf } from "@/core/roster/kinds";
import { titleOf, type SeatedItem } from "@/core/roster/roster";
import { SectionLetter } from "../kit/section-letter";
import { sectionHue } from "../kit/hues";
import { LevelMark } from "../kit/level";
import { Toggle } from "../kit/toggle";
import { columnLook } from "./plan-columns";
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
      <span className="truncate font-bold">{row.section.name}</span>
      <span className="text-ink2 font-mono text-sm">{row.count}</span>
      {row.section.closed && (
        <span className="text-ink2 flex items-center gap-1 text-sm">
          <Lock size={12} aria-hidden /> closed
        </span>
      )}
      {row.section.unseated && row.count > 0 && (
        <span className="text-saffron shrink-0 text-sm font-semibold">
          {plural(row.count, "waits", "wait")} to be seated
        </span>
      )}
      <span className="text-ink2 hidden truncate pr-3 text-sm @xl:inline">{row.section.guidance}</span>
    </div>
  );
});

/** Above what is gathered, for it does not load. */
export function OffBand({ count }: { count: number }) {
  return (
    <div
      role="gridcell"
      className="border-line bg-sunk flex h-full items-center gap-2 border-y"
      style={{ paddingLeft: gutterWidth }}
    >
      <span className="font-bold">Off</span>
      <span className="text-ink2 font-mono text-sm">{count}</span>
      <span className="text-ink2 truncate text-sm">Gathered to be looked at; each keeps its seat</span>
    </div>
  );
}

export interface RowMark {
  readonly level: Level;
  readonly words: string;
}

interface Props {
  item: SeatedItem;
  sectionIndex: number;
  selected: boolean;
  focused: boolean;
  carried: boolean;
  barred: boolean;
  noted: boolean;
  mark: RowMark | null;
  /** The one that it has in a sheet, shown beside its seat. */
  number: number | undefined;
  onToggle: (item: SeatedItem) => void;
}

export const kindWords = (item: SeatedItem): string => {
  if (item.fixed) return "built in";
  const [rank, counting] = kindsOf(item);
  return [rank?.id === "foundation" ? "foundation" : null, counting?.label.toLowerCase()]
    .filter(Boolean)
    .join(", ");
};

const withheldWords = {
  part: "its part of the mod is not taken",
  "left-out": "its file is left out of this profile",
  gone: "the version of its mod that this profile holds is not on the shelf",
};

/** Says how it stands with an item, for the switch. */
function toggleLabel(item: SeatedItem): string {
  const title = titleOf(item);
  if (item.fixed) return `${title} is built in and always on`;
  if (item.list === "mods") return `${title} is ${item.loads ? "on" : "off"}`;
  if (!item.mod) return `${title}: its mod is not on the shelf`;
  if (item.entry.on && !item.loads)
    return `${title} is on, but ${item.mod.loads && item.withheld ? withheldWords[item.withheld] : "its mod is off"}`;
  return `${title} is ${item.entry.on ? "on" : "off"}`;
}

/** What stands beside the name: of a plugin its kind and mod, of a mod its version and what it brings. */
function besideName(item: SeatedItem): readonly [string, string] {
  if (item.list === "plugins")
    return [kindWords(item), item.fixed ? "the game" : (item.mod?.mod?.name ?? "not on the shelf")];
  if (!item.mod) return ["", "not on the shelf"];
  if (item.gone) return [item.mod.version, "not on the shelf"];
  const { plugins, version, files } = item.mod;
  return [version, plugins.length > 0 ? plural(plugins.length, "plugin") : plural(files, "file")];
}

const striped = "bg-[repeating-linear-gradient(135deg,var(--sunk)_0_6px,var(--line)_6px_7px)]";

export const ItemRow = memo(function ItemRow({
  item,
  sectionIndex,
  selected,
  focused,
  carried,
  barred,
  noted,
  mark,
  number,
  onToggle,
}: Props) {
  const struck = item.loads ? "" : "text-ink3 line-through decoration-1";
  const back = carried
    ? "bg-saffron-soft outline-saffron outline-1 -outline-offset-1 outline-dashed"
    : selected
      ? "bg-pine-soft"
      : barred
        ? striped
        : "bg-surface";
  const [kind, origin] = besideName(item);
  return (
    <div
      data-item={item.id}
      className={`group/row border-line flex h-full items-center border-b select-none ${back} ${focused ? "outline-pine -outline-offset-2 outline-2" : ""}`}
      style={{ paddingLeft: gutterWidth }}
    >
      <span
        aria-hidden
        className="section-edge mr-2.5 h-full w-1 shrink-0"
        style={{ "--hue": sectionHue(item.section?.hue ?? sectionIndex).fill } as CSSProperties}
      />
      <span role="gridcell" className={`font-mono text-sm ${columnLook.seat}`}>
        {item.seat}
      </span>
      {number !== undefined && (
        <span role="gridcell" className={`text-ink3 font-mono text-sm ${columnLook.number}`}>
          {number}
        </span>
      )}
      <span role="gridcell" className={columnLook.switch} onPointerDown={(event) => event.stopPropagation()}>
        <Toggle
          on={item.fixed || item.entry.on}
          half={!item.loads}
          locked={item.fixed}
          tabIndex={-1}
          label={toggleLabel(item)}
          onClick={() => onToggle(item)}
        />
      </span>
      <span
        role="gridcell"
        className={`bg-inherit ${columnLook.name} ${item.list === "plugins" ? "font-mono text-sm" : "font-semibold"} ${struck}`}
      >
        <span
          className={`truncate bg-inherit group-hover/row:relative group-hover/row:z-[1] group-hover/row:overflow-visible ${focused ? "relative z-[1] overflow-visible" : ""}`}
        >
          {titleOf(item)}
        </span>
        {noted && <NotebookPen size={13} className="text-ink3 shrink-0" aria-label="with a note" />}
      </span>
      <span role="gridcell" className={`text-ink2 text-sm ${columnLook.kind}`}>
        {kind}
      </span>
      <span role="gridcell" className={`text-ink2 text-sm ${columnLook.origin} ${struck}`}>
        {origin}
      </span>
      <span role="gridcell" className={`text-ink2 text-sm ${columnLook.state}`}>
        {mark && <LevelMark level={mark.level} />}
        <span className="hidden truncate @2xl:inline">
          {mark?.words ?? (item.fixed ? "fixed" : item.entry.home ? "raised" : "")}
        </span>
      </span>
    </div>
  );
});
