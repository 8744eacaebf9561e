import { say } from "@/core/language/say";
import type { GameDefinition } from "@/core/model/game";
import { layoutOf, type GridColumn, type GridLayout } from "../kit/grid/columns";
import { LevelMark } from "../kit/level";
import { modColumns } from "./mod-columns";
import { sourceOf, type ShelfRow } from "./shelf-rows";

const count = (number: number): string => (number > 0 ? String(number) : "");

const fileWords = ({ mod }: ShelfRow): string =>
  mod ? (mod.problem ? say("shelf.unusable", { path: mod.path }) : mod.path) : say("common.notOnTheShelf");

/** What is known of a mod because it lies here. */
const ownColumns: readonly GridColumn<ShelfRow>[] = [
  {
    id: "version",
    get label() {
      return say("common.version");
    },
    width: 76,
    isMono: true,
    text: (row) => row.version,
  },
  {
    id: "source",
    get label() {
      return say("shelf.source");
    },
    width: 70,
    text: ({ mod }) => (mod ? sourceOf(mod) : ""),
  },
  {
    id: "added",
    get label() {
      return say("common.added");
    },
    width: 92,
    isMono: true,
    text: ({ mod }) => mod?.added?.slice(0, 10) ?? "",
  },
  {
    id: "profiles",
    get label() {
      return say("shelf.otherProfiles");
    },
    width: 140,
    text: ({ profiles }) => profiles.join(", "),
  },
  {
    id: "findings",
    get label() {
      return say("common.findings");
    },
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
  {
    id: "note",
    get label() {
      return say("common.note");
    },
    width: 160,
    text: ({ note }) => note ?? "",
  },
  {
    id: "file",
    get label() {
      return say("common.file");
    },
    width: 172,
    isMono: true,
    text: fileWords,
    cell: (row) => row.mod?.problem && <span className="text-saffron">{fileWords(row)}</span>,
  },
];

const order = [
  "version",
  "author",
  "tags",
  "source",
  "plugins",
  "parts",
  "size",
  "files",
  "added",
  "updated",
  "profiles",
  "game",
  "awards",
  "requires",
  "clashes",
  "expansions",
  "findings",
  "note",
  "page",
  "file",
  "places",
];

/** All that can be shown beside the switch and the name of a mod, as far as the game has anything for it. */
export const columnsFor = (game: GameDefinition): readonly GridColumn<ShelfRow>[] =>
  [...ownColumns, ...modColumns<ShelfRow>(game, ({ mod }) => mod)].sort(
    (a, b) => order.indexOf(a.id) - order.indexOf(b.id),
  );

export const shownAtFirst = (columns: readonly GridColumn<ShelfRow>[]): GridLayout =>
  layoutOf(columns).filter(({ id }) => ["version", "author", "plugins", "size", "file"].includes(id));
