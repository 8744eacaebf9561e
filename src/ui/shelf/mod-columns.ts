import { midSentence } from "@/core/language/mid-sentence";
import { say } from "@/core/language/say";
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
  manifest?.awards === undefined
    ? ""
    : manifest.awards
      ? say("shelf.stayPossible")
      : say("common.switchedOff");

const plainColumns: readonly ModColumn[] = [
  {
    id: "author",
    get label() {
      return say("common.author");
    },
    width: 110,
    text: ({ author }) => author ?? "",
  },
  {
    id: "tags",
    get label() {
      return say("common.tags");
    },
    width: 120,
    text: ({ tags }) => list(tags),
  },
  {
    id: "plugins",
    get label() {
      return say("common.plugins2");
    },
    width: 72,
    isFigure: true,
    only: "plugins",
    text: ({ plugins }) => count(plugins.length),
    sortBy: ({ plugins }) => plugins.length,
  },
  {
    id: "parts",
    get label() {
      return say("common.parts");
    },
    width: 60,
    isFigure: true,
    text: (mod) => count(parts(mod)),
    sortBy: parts,
  },
  {
    id: "size",
    get label() {
      return say("common.size");
    },
    width: 76,
    isFigure: true,
    text: ({ size }) => formatSize(size),
    sortBy: ({ size }) => size,
  },
  {
    id: "files",
    get label() {
      return say("shelf.files");
    },
    width: 60,
    isFigure: true,
    text: ({ files }) => count(files),
    sortBy: ({ files }) => files,
  },
  {
    id: "updated",
    get label() {
      return say("shelf.updated");
    },
    width: 92,
    isMono: true,
    text: ({ updated }) => day(updated),
  },
  {
    id: "game",
    get label() {
      return say("shelf.gameVersion");
    },
    width: 110,
    isMono: true,
    text: ({ manifest }) => manifest?.gameVersions ?? "",
  },
  {
    id: "awards",
    get label() {
      return say("shelf.awards");
    },
    width: 104,
    text: awardWords,
  },
  {
    id: "requires",
    get label() {
      return say("shelf.needs");
    },
    width: 140,
    text: ({ manifest }) => list((manifest?.requires ?? []).map((each) => each.mod)),
  },
  {
    id: "clashes",
    get label() {
      return say("shelf.clashesWith");
    },
    width: 140,
    text: ({ manifest }) => list((manifest?.clashes ?? []).map((each) => each.mod)),
  },
  {
    id: "expansions",
    get label() {
      return say("common.expansions");
    },
    width: 120,
    only: "expansions",
    text: ({ manifest }) => list(manifest?.expansions ?? []),
  },
  {
    id: "page",
    get label() {
      return say("common.page");
    },
    width: 140,
    text: ({ manifest }) => manifest?.page ?? "",
  },
];

/** How many plugins of a mod take a place in each class that is counted, the class with the fewest places first. */
function placesTaken({ counting }: GameDefinition, plugins: readonly (Counting | null)[]) {
  const byCap = [...counting].sort((a, b) => a.cap - b.cap);
  return byCap.map((each) => ({
    label: midSentence(each.label),
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
    label: say("common.places"),
    width: 110,
    only: "plugins",
    text: (mod) =>
      list(taken(mod).flatMap((each) => (each.taken > 0 ? [`${each.taken} ${each.label}`] : []))),
    // The dearest places first, as digits of one number.
    sortBy: (mod) => taken(mod).reduce((sum, each) => sum * 10_000 + each.taken, 0),
  };
}
