import { versionText } from "@/core/version/version";
import { NotebookPen } from "lucide-react";
import { levels, type Level } from "@/core/model/finding";
import type { ListName } from "@/core/model/profile";
import { plural } from "@/core/messages/parts";
import { kindsOf } from "@/core/roster/kinds";
import { titleOf, type SeatedItem } from "@/core/roster/roster";
import { formatSize } from "../kit/format-size";
import { layoutOf, type GridColumn, type GridLayout } from "../kit/grid/columns";
import { textLook } from "../kit/grid/grid-cells";
import { LevelMark } from "../kit/level";
import { Toggle } from "../kit/toggle";

export interface RowMark {
  readonly level: Level;
  readonly words: string;
}

/** All that a row of the plan says of its item. */
export interface PlanCells {
  readonly item: SeatedItem;
  /** The gravest of its findings. */
  readonly mark: RowMark | null;
  readonly noted: boolean;
  /** The one that it has in a sheet; undefined where numbers are not shown. */
  readonly number: number | undefined;
  /** Whether its state has a column; its mark stands beside its name where it has none. */
  readonly isStateShown: boolean;
  readonly onToggle: (item: SeatedItem) => void;
}

type PlanColumn = GridColumn<PlanCells>;

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

const shelfModOf = (item: SeatedItem) => (item.list === "mods" ? item.mod : (item.mod?.mod ?? null));
const sizeOf = (item: SeatedItem): number => (item.list === "mods" ? item.mod : item.file)?.size ?? 0;
const mastersOf = (item: SeatedItem): number => (item.list === "plugins" ? item.masters.length : 0);
const count = (number: number): string => (number > 0 ? String(number) : "");

const originOf = (item: SeatedItem): string =>
  item.fixed ? "the game" : (shelfModOf(item)?.name ?? "not on the shelf");

function brings(item: SeatedItem): string {
  const mod = shelfModOf(item);
  if (!mod || (item.list === "mods" && item.gone)) return "not on the shelf";
  return mod.plugins.length > 0 ? plural(mod.plugins.length, "plugin") : plural(mod.files, "file");
}

const stateWords = ({ item, mark }: PlanCells): string =>
  mark?.words ?? (item.fixed ? "fixed" : item.entry.home ? "raised" : "");

const struck = ({ loads }: SeatedItem): string => (loads ? "" : "text-ink3 line-through decoration-1");

const Name = (cells: PlanCells) => (
  <span className="flex items-center gap-1.5 bg-inherit">
    <span
      className={`truncate bg-inherit ${textLook} group-hover/row:overflow-visible group-data-[active]/row:overflow-visible ${cells.item.list === "plugins" ? "font-mono text-sm font-normal" : ""} ${struck(cells.item)}`}
    >
      {titleOf(cells.item)}
    </span>
    {cells.noted && <NotebookPen size={13} className="text-ink3 shrink-0" aria-label="with a note" />}
    {cells.mark && !cells.isStateShown && <LevelMark level={cells.mark.level} label={cells.mark.words} />}
  </span>
);

const always = (list: ListName): readonly PlanColumn[] => [
  {
    id: "seat",
    label: "Seat",
    width: 40,
    isFixed: true,
    isOrder: true,
    isMono: true,
    text: ({ item }) => item.seat,
    cell: ({ item }) => <span className="text-ink">{item.seat}</span>,
  },
  {
    id: "switch",
    label: "On",
    width: 28,
    isFixed: true,
    text: ({ item }) => (item.loads ? "on" : "off"),
    sortBy: null,
    cell: ({ item, onToggle }) => (
      <span className="flex" onPointerDown={(event) => event.stopPropagation()}>
        <Toggle
          on={item.fixed || item.entry.on}
          half={!item.loads}
          locked={item.fixed}
          tabIndex={-1}
          label={toggleLabel(item)}
          onClick={() => onToggle(item)}
        />
      </span>
    ),
  },
  {
    id: "name",
    label: list === "plugins" ? "Plugin" : "Mod",
    width: 0,
    isFixed: true,
    isMain: true,
    text: ({ item }) => titleOf(item),
    cell: (cells) => <Name {...cells} />,
  },
];

const state: PlanColumn = {
  id: "state",
  label: "State",
  width: 136,
  text: stateWords,
  sortBy: (cells) => `${cells.mark ? levels.indexOf(cells.mark.level) : levels.length} ${stateWords(cells)}`,
  cell: (cells) => (
    <span className="flex items-center gap-1.5 text-sm">
      {cells.mark && <LevelMark level={cells.mark.level} />}
      <span className="truncate">{stateWords(cells)}</span>
    </span>
  ),
};

const ofPlugins: readonly PlanColumn[] = [
  { id: "kind", label: "Class", width: 116, text: ({ item }) => kindWords(item) },
  {
    id: "origin",
    label: "Mod",
    width: 172,
    text: ({ item }) => originOf(item),
    cell: ({ item }) => <span className={`${textLook} ${struck(item)}`}>{originOf(item)}</span>,
  },
  {
    id: "masters",
    label: "Masters",
    width: 72,
    isFigure: true,
    text: ({ item }) => count(mastersOf(item)),
    sortBy: ({ item }) => mastersOf(item),
  },
];

const ofMods: readonly PlanColumn[] = [
  {
    id: "version",
    label: "Version",
    width: 76,
    isMono: true,
    text: ({ item }) => versionText(shelfModOf(item)?.version ?? ""),
  },
  { id: "brings", label: "Brings", width: 116, text: ({ item }) => brings(item) },
];

const ofBoth: readonly PlanColumn[] = [
  {
    id: "number",
    label: "Number",
    width: 76,
    isFigure: true,
    text: ({ number }) => (number === undefined ? "" : String(number)),
    sortBy: ({ number }) => number ?? 0,
  },
  { id: "section", label: "Section", width: 132, text: ({ item }) => item.section?.name ?? "" },
  { id: "author", label: "Author", width: 110, text: ({ item }) => shelfModOf(item)?.author ?? "" },
  { id: "tags", label: "Tags", width: 120, text: ({ item }) => (shelfModOf(item)?.tags ?? []).join(", ") },
  {
    id: "size",
    label: "Size",
    width: 76,
    isFigure: true,
    text: ({ item }) => (sizeOf(item) > 0 ? formatSize(sizeOf(item)) : ""),
    sortBy: ({ item }) => sizeOf(item),
  },
];

/** All that the plan of a list can show; the seat, the switch and the name always are. */
export const planColumns: Readonly<Record<ListName, readonly PlanColumn[]>> = {
  plugins: [...always("plugins"), state, ...ofPlugins, ...ofBoth],
  mods: [...always("mods"), state, ...ofMods, ...ofBoth],
};

const atFirst = ["state", "kind", "origin", "version", "brings"];

export const planShownAtFirst: Readonly<Record<ListName, GridLayout>> = {
  plugins: layoutOf(planColumns.plugins).filter(({ id }) => atFirst.includes(id)),
  mods: layoutOf(planColumns.mods).filter(({ id }) => atFirst.includes(id)),
};
