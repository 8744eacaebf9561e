import { midSentence } from "@/core/language/mid-sentence";
import { say } from "@/core/language/say";
import { versionText } from "@/core/version/version";
import { NotebookPen } from "lucide-react";
import { levels, type Level } from "@/core/model/finding";
import type { ListName } from "@/core/model/profile";
import { kindsOf } from "@/core/roster/kinds";
import { titleOf, type SeatedItem } from "@/core/roster/roster";
import { formatSize } from "../kit/format-size";
import { layoutOf, type GridColumn, type GridLayout } from "../kit/grid/columns";
import { textLook } from "../kit/grid/grid-cells";
import { ViewLink } from "../workspace/view-link";
import { healthOf } from "../health/health-address";
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
  if (item.fixed) return say("plan.builtIn");
  const [rank, counting] = kindsOf(item);
  return [rank?.id === "foundation" ? say("plan.foundation") : null, counting && midSentence(counting.label)]
    .filter(Boolean)
    .join(", ");
};

const withheldWords = {
  get part() {
    return say("plan.itsPartOfTheModIs");
  },
  get "left-out"() {
    return say("plan.itsFileIsLeftOutOf");
  },
  get gone() {
    return say("plan.theVersionOfItsModThat");
  },
};

/** Says how it stands with an item, for the switch. */
function toggleLabel(item: SeatedItem): string {
  const title = titleOf(item);
  if (item.fixed) return say("plan.isBuiltInAndAlwaysOn", { title });
  if (item.list === "mods") return say("plan.is", { title, loads: String(item.loads) });
  if (!item.mod) return say("plan.itsModIsNotOnThe", { title });
  if (item.entry.on && !item.loads)
    return say("plan.isOnBut", {
      title,
      rest: item.mod.loads && item.withheld ? withheldWords[item.withheld] : say("plan.itsModIsOff"),
    });
  return say("plan.is2", { title, on: String(item.entry.on) });
}

const shelfModOf = (item: SeatedItem) => (item.list === "mods" ? item.mod : (item.mod?.mod ?? null));
const sizeOf = (item: SeatedItem): number => (item.list === "mods" ? item.mod : item.file)?.size ?? 0;
const mastersOf = (item: SeatedItem): number => (item.list === "plugins" ? item.masters.length : 0);
const count = (number: number): string => (number > 0 ? String(number) : "");

const originOf = (item: SeatedItem): string =>
  item.fixed ? say("plan.theGame") : (shelfModOf(item)?.name ?? say("common.notOnTheShelf"));

function brings(item: SeatedItem): string {
  const mod = shelfModOf(item);
  if (!mod || (item.list === "mods" && item.gone)) return say("common.notOnTheShelf");
  return mod.plugins.length > 0
    ? say("common.plugins3", { count: mod.plugins.length })
    : say("common.files", { files: mod.files });
}

const stateWords = ({ item, mark }: PlanCells): string =>
  mark?.words ?? (item.fixed ? say("plan.fixed") : item.entry.home ? say("plan.raised") : "");

const struck = ({ loads }: SeatedItem): string => (loads ? "" : "text-ink3 line-through decoration-1");

const Name = (cells: PlanCells) => (
  <span className="flex items-center gap-1.5 bg-inherit">
    <span
      className={`truncate bg-inherit ${textLook} group-hover/row:overflow-visible group-data-[active]/row:overflow-visible ${cells.item.list === "plugins" ? "font-mono text-sm font-normal" : ""} ${struck(cells.item)}`}
    >
      {titleOf(cells.item)}
    </span>
    {cells.noted && (
      <NotebookPen size={13} className="text-ink3 shrink-0" aria-label={say("plan.withANote")} />
    )}
    {cells.mark && !cells.isStateShown && <LevelMark level={cells.mark.level} label={cells.mark.words} />}
  </span>
);

const always = (list: ListName): readonly PlanColumn[] => [
  {
    id: "seat",
    get label() {
      return say("common.seat");
    },
    word: "seat",
    width: 40,
    isFixed: true,
    isOrder: true,
    isMono: true,
    text: ({ item }) => item.seat,
    cell: ({ item }) => <span className="text-ink">{item.seat}</span>,
  },
  {
    id: "switch",
    get label() {
      return say("common.on2");
    },
    width: 28,
    isFixed: true,
    text: ({ item }) => (item.loads ? say("common.on") : say("common.off")),
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
    get label() {
      return list === "plugins" ? say("common.plugin") : say("common.mod");
    },
    width: 0,
    isFixed: true,
    isMain: true,
    text: ({ item }) => titleOf(item),
    cell: (cells) => <Name {...cells} />,
  },
];

const state: PlanColumn = {
  id: "state",
  get label() {
    return say("common.state");
  },
  width: 136,
  text: stateWords,
  sortBy: (cells) => `${cells.mark ? levels.indexOf(cells.mark.level) : levels.length} ${stateWords(cells)}`,
  cell: (cells) => (
    <span className="flex items-center gap-1.5 text-sm">
      {cells.mark ? (
        <ViewLink
          href={healthOf(cells.item.id)}
          tabIndex={-1}
          title={say("plan.waysOutInHealth")}
          className="flex min-w-0 items-center gap-1.5 hover:underline"
        >
          <LevelMark level={cells.mark.level} />
          <span className="truncate">{stateWords(cells)}</span>
        </ViewLink>
      ) : (
        <span className="truncate">{stateWords(cells)}</span>
      )}
    </span>
  ),
};

const ofPlugins: readonly PlanColumn[] = [
  {
    id: "kind",
    get label() {
      return say("common.class");
    },
    width: 116,
    text: ({ item }) => kindWords(item),
  },
  {
    id: "origin",
    get label() {
      return say("common.mod");
    },
    width: 172,
    text: ({ item }) => originOf(item),
    cell: ({ item }) => <span className={`${textLook} ${struck(item)}`}>{originOf(item)}</span>,
  },
  {
    id: "masters",
    get label() {
      return say("common.masters");
    },
    word: "master",
    width: 72,
    isFigure: true,
    text: ({ item }) => count(mastersOf(item)),
    sortBy: ({ item }) => mastersOf(item),
  },
];

const ofMods: readonly PlanColumn[] = [
  {
    id: "version",
    get label() {
      return say("common.version");
    },
    width: 76,
    isMono: true,
    text: ({ item }) => versionText(shelfModOf(item)?.version ?? ""),
  },
  {
    id: "brings",
    get label() {
      return say("plan.brings");
    },
    width: 116,
    text: ({ item }) => brings(item),
  },
];

const ofBoth: readonly PlanColumn[] = [
  {
    id: "number",
    get label() {
      return say("plan.number");
    },
    width: 76,
    isFigure: true,
    text: ({ number }) => (number === undefined ? "" : String(number)),
    sortBy: ({ number }) => number ?? 0,
  },
  {
    id: "section",
    get label() {
      return say("common.section");
    },
    width: 132,
    text: ({ item }) => item.section?.name ?? "",
  },
  {
    id: "author",
    get label() {
      return say("common.author");
    },
    width: 110,
    text: ({ item }) => shelfModOf(item)?.author ?? "",
  },
  {
    id: "tags",
    get label() {
      return say("common.tags");
    },
    width: 120,
    text: ({ item }) => (shelfModOf(item)?.tags ?? []).join(", "),
  },
  {
    id: "size",
    get label() {
      return say("common.size");
    },
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
