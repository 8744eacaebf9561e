import type { Counting, GameDefinition } from "@/core/model/game";
import type { ShelfMod } from "@/core/model/shelf";
import { countingOf } from "@/core/roster/laws";
import { partsOf } from "@/core/roster/parts";
import { formatSize } from "../kit/format-size";
import type { GridColumn } from "../kit/grid/columns";

/** What a mod says, or its archive, as columns of a list whose rows have one; null of rows without. */
export function modColumns<Row>(
  game: GameDefinition,
  modOf: (row: Row) => ShelfMod | null,
): readonly GridColumn<Row>[] {
  const hasPlugins = game.lists.includes("plugins");
  const column = ({ only: _, text, sortBy, ...rest }: ModColumn): GridColumn<Row> => ({
    ...rest,
    text: (row) => {
      const mod = modOf(row);
      return mod ? text(mod) : "";
    },
    ...(sortBy && {
      sortBy: (row: Row) => {
        const mod = modOf(row);
        return mod ? sortBy(mod) : -1;
      },
    }),
  });
  const columns = [...plainColumns, ...(game.counting.length > 0 ? [placesColumn(game)] : [])];
  return columns
    .filter(({ only }) => !only || (only === "plugins" ? hasPlugins : game.expansions.length > 0))
    .map(column);
}

interface ModColumn extends Omit<GridColumn<ShelfMod>, "sortBy" | "cell"> {
  /** Only of a game with plugins, or with expansions. */
  readonly only?: "plugins" | "expansions";
  readonly sortBy?: (mod: ShelfMod) => number;
}

const day = (at: string | null | undefined): string => at?.slice(0, 10) ?? "";
const list = (texts: readonly string[]): string => texts.join(", ");
const count = (number: number): string => (number > 0 ? String(number) : "");
const parts = ({ manifest }: ShelfMod): number => (manifest ? partsOf(manifest).length : 0);

const awardWords = ({ manifest }: ShelfMod): string =>
  manifest?.awards === undefined ? "" : manifest.awards ? "stay possible" : "switched off";

const plainColumns: readonly ModColumn[] = [
  { id: "author", label: "Author", width: 110, text: ({ author }) => author ?? "" },
  { id: "tags", label: "Tags", width: 120, text: ({ tags }) => list(tags) },
  {
    id: "plugins",
    label: "Plugins",
    width: 72,
    isFigure: true,
    only: "plugins",
    text: ({ plugins }) => count(plugins.length),
    sortBy: ({ plugins }) => plugins.length,
  },
  { id: "parts", label: "Parts", width: 60, isFigure: true, text: (mod) => count(parts(mod)), sortBy: parts },
  {
    id: "size",
    label: "Size",
    width: 76,
    isFigure: true,
    text: ({ size }) => formatSize(size),
    sortBy: ({ size }) => size,
  },
  {
    id: "files",
    label: "Files",
    width: 60,
    isFigure: true,
    text: ({ files }) => count(files),
    sortBy: ({ files }) => files,
  },
  { id: "updated", label: "Updated", width: 92, isMono: true, text: ({ updated }) => day(updated) },
  {
    id: "game",
    label: "Game version",
    width: 110,
    isMono: true,
    text: ({ manifest }) => manifest?.gameVersions ?? "",
  },
  { id: "awards", label: "Awards", width: 104, text: awardWords },
  {
    id: "requires",
    label: "Needs",
    width: 140,
    text: ({ manifest }) => list((manifest?.requires ?? []).map((each) => each.mod)),
  },
  {
    id: "clashes",
    label: "Clashes with",
    width: 140,
    text: ({ manifest }) => list((manifest?.clashes ?? []).map((each) => each.mod)),
  },
  {
    id: "expansions",
    label: "Expansions",
    width: 120,
    only: "expansions",
    text: ({ manifest }) => list(manifest?.expansions ?? []),
  },
  { id: "page", label: "Page", width: 140, text: ({ manifest }) => manifest?.page ?? "" },
];

/** How many plugins of a mod take a place in each class that is counted, the class with the fewest places first. */
function placesTaken({ counting }: GameDefinition, plugins: readonly (Counting | null)[]) {
  const byCap = [...counting].sort((a, b) => a.cap - b.cap);
  return byCap.map((each) => ({
    label: each.label.toLowerCase(),
    taken: plugins.filter((of) => of === each).length,
  }));
}

/** What a mod costs before it is switched on. */
function placesColumn(game: GameDefinition): ModColumn {
  const taken = ({ plugins }: ShelfMod) =>
    placesTaken(
      game,
      plugins.map((plugin) => countingOf(game, plugin)),
    );
  return {
    id: "places",
    label: "Places",
    width: 110,
    only: "plugins",
    text: (mod) =>
      list(taken(mod).flatMap((each) => (each.taken > 0 ? [`${each.taken} ${each.label}`] : []))),
    // The dearest places first, as digits of one number.
    sortBy: (mod) => taken(mod).reduce((sum, each) => sum * 10_000 + each.taken, 0),
  };
}
