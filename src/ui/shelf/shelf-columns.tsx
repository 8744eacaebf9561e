import type { Counting, GameDefinition } from "@/core/model/game";
import { countingOf } from "@/core/roster/laws";
import { partsOf } from "@/core/roster/parts";
import { formatSize } from "../kit/format-size";
import { layoutOf, type GridColumn, type GridLayout } from "../kit/grid/columns";
import { LevelMark } from "../kit/level";
import { sourceOf, type ShelfRow } from "./shelf-rows";

export interface ShelfColumn extends GridColumn<ShelfRow> {
  /** Only of a game with plugins, or with expansions. */
  readonly only?: "plugins" | "expansions";
}

const day = (at: string | null | undefined): string => at?.slice(0, 10) ?? "";
const list = (texts: readonly string[]): string => texts.join(", ");
const count = (number: number): string => (number > 0 ? String(number) : "");
const requires = ({ mod }: ShelfRow) => mod?.manifest?.requires ?? [];
const clashes = ({ mod }: ShelfRow) => mod?.manifest?.clashes ?? [];
const parts = ({ mod }: ShelfRow): number => (mod?.manifest ? partsOf(mod.manifest).length : 0);

const fileWords = ({ mod }: ShelfRow): string =>
  mod ? (mod.problem ? `unsound: ${mod.path}` : mod.path) : "not on the shelf";

/** All that can be shown beside the switch and the name of a mod. */
export const shelfColumns: readonly ShelfColumn[] = [
  { id: "version", label: "Version", width: 76, isMono: true, text: (row) => row.version },
  { id: "author", label: "Author", width: 110, text: ({ mod }) => mod?.author ?? "" },
  { id: "tags", label: "Tags", width: 120, text: ({ mod }) => list(mod?.tags ?? []) },
  { id: "source", label: "Source", width: 70, text: ({ mod }) => (mod ? sourceOf(mod) : "") },
  {
    id: "plugins",
    label: "Plugins",
    width: 72,
    isFigure: true,
    only: "plugins",
    text: ({ mod }) => count(mod?.plugins.length ?? 0),
    sortBy: ({ mod }) => mod?.plugins.length ?? 0,
  },
  {
    id: "parts",
    label: "Parts",
    width: 60,
    isFigure: true,
    text: (row) => count(parts(row)),
    sortBy: parts,
  },
  {
    id: "size",
    label: "Size",
    width: 76,
    isFigure: true,
    text: ({ mod }) => (mod ? formatSize(mod.size) : ""),
    sortBy: ({ mod }) => mod?.size ?? 0,
  },
  {
    id: "files",
    label: "Files",
    width: 60,
    isFigure: true,
    text: ({ mod }) => count(mod?.files ?? 0),
    sortBy: ({ mod }) => mod?.files ?? 0,
  },
  { id: "added", label: "Added", width: 92, isMono: true, text: ({ mod }) => day(mod?.added) },
  { id: "updated", label: "Updated", width: 92, isMono: true, text: ({ mod }) => day(mod?.updated) },
  { id: "profiles", label: "Other profiles", width: 140, text: ({ profiles }) => list(profiles) },
  {
    id: "game",
    label: "Game version",
    width: 110,
    isMono: true,
    text: ({ mod }) => mod?.manifest?.gameVersions ?? "",
  },
  { id: "requires", label: "Needs", width: 140, text: (row) => list(requires(row).map((each) => each.mod)) },
  {
    id: "clashes",
    label: "Clashes with",
    width: 140,
    text: (row) => list(clashes(row).map((each) => each.mod)),
  },
  {
    id: "expansions",
    label: "Expansions",
    width: 120,
    only: "expansions",
    text: ({ mod }) => list(mod?.manifest?.expansions ?? []),
  },
  {
    id: "findings",
    label: "Findings",
    width: 76,
    isFigure: true,
    text: ({ findings }) => count(findings),
    sortBy: ({ findings }) => findings,
    cell: ({ level, findings }) =>
      level && (
        <>
          <span className="mr-1 inline-block">
            <LevelMark level={level} label={level} size={10} />
          </span>
          {count(findings)}
        </>
      ),
  },
  { id: "note", label: "Note", width: 160, text: ({ note }) => note ?? "" },
  { id: "page", label: "Page", width: 140, text: ({ mod }) => mod?.manifest?.page ?? "" },
  {
    id: "file",
    label: "File",
    width: 172,
    isMono: true,
    text: fileWords,
    cell: (row) => row.mod?.problem && <span className="text-saffron">{fileWords(row)}</span>,
  },
];

export const shownAtFirst: GridLayout = layoutOf(shelfColumns).filter(({ id }) =>
  ["version", "author", "plugins", "size", "file"].includes(id),
);

/** How many plugins of a mod take a place in each class that is counted, the class with the fewest places first. */
function placesTaken({ counting }: GameDefinition, plugins: readonly (Counting | null)[]) {
  const byCap = [...counting].sort((a, b) => a.cap - b.cap);
  return byCap.map((each) => ({
    label: each.label.toLowerCase(),
    taken: plugins.filter((of) => of === each).length,
  }));
}

/** What a mod costs before it is switched on. */
function placesColumn(game: GameDefinition): ShelfColumn {
  const taken = ({ mod }: ShelfRow) =>
    placesTaken(
      game,
      (mod?.plugins ?? []).map((plugin) => countingOf(game, plugin)),
    );
  return {
    id: "places",
    label: "Places",
    width: 110,
    only: "plugins",
    text: (row) =>
      list(taken(row).flatMap((each) => (each.taken > 0 ? [`${each.taken} ${each.label}`] : []))),
    // The dearest places first, as digits of one number.
    sortBy: (row) => taken(row).reduce((sum, each) => sum * 10_000 + each.taken, 0),
  };
}

/** Those that a game has anything for. */
export const columnsFor = (game: GameDefinition): readonly ShelfColumn[] =>
  [...shelfColumns, ...(game.counting.length > 0 ? [placesColumn(game)] : [])].filter(
    ({ only }) =>
      only === undefined ||
      (only === "plugins" ? game.lists.includes("plugins") : game.expansions.length > 0),
  );
