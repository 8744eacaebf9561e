import { z } from "zod";
import { partsOf } from "@/core/roster/parts";
import { LevelMark } from "../kit/level";
import { formatSize } from "../kit/format-size";
import { compareText, sourceOf, type ShelfRow } from "./shelf-rows";

export interface ShelfColumn {
  readonly id: string;
  readonly label: string;
  /** Pixels, until its user makes it wider or narrower. */
  readonly width: number;
  /** A figure, which stands at the right. */
  readonly isFigure?: true;
  readonly isMono?: true;
  /** Only of a game with plugins, or with expansions. */
  readonly only?: "plugins" | "expansions";
  /** What is shown, and sorted by unless `sortBy` says otherwise. */
  readonly text: (row: ShelfRow) => string;
  readonly sortBy?: (row: ShelfRow) => string | number;
}

const day = (at: string | null | undefined): string => at?.slice(0, 10) ?? "";
const list = (texts: readonly string[]): string => texts.join(", ");
const count = (number: number): string => (number > 0 ? String(number) : "");
const requires = ({ mod }: ShelfRow) => mod?.manifest?.requires ?? [];
const clashes = ({ mod }: ShelfRow) => mod?.manifest?.clashes ?? [];
const parts = ({ mod }: ShelfRow): number => (mod?.manifest ? partsOf(mod.manifest).length : 0);

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
  },
  { id: "note", label: "Note", width: 160, text: ({ note }) => note ?? "" },
  { id: "page", label: "Page", width: 140, text: ({ mod }) => mod?.manifest?.page ?? "" },
  {
    id: "file",
    label: "File",
    width: 190,
    isMono: true,
    text: ({ mod }) => (mod ? (mod.problem ? `unsound: ${mod.path}` : mod.path) : "not on the shelf"),
  },
];

/** What is shown, in this order, with widths in pixels. */
export const ShownColumns = z.array(z.strictObject({ id: z.string(), width: z.number().min(40).max(800) }));
export type ShownColumns = z.infer<typeof ShownColumns>;

export const shownAtFirst: ShownColumns = ["version", "author", "plugins", "size", "file"].flatMap((id) =>
  shelfColumns.filter((column) => column.id === id).map(({ width }) => ({ id, width })),
);

export const columnOf = (id: string): ShelfColumn | undefined =>
  shelfColumns.find((column) => column.id === id);

/** By a column or the name, the other way round where it is marked with a minus; equal ones by name. */
export function sortShelf(rows: readonly ShelfRow[], sort: string): readonly ShelfRow[] {
  const id = sort.replace(/^-/, "");
  const column = columnOf(id);
  if (!column && id !== "name") return rows;
  const way = sort.startsWith("-") ? -1 : 1;
  const key = column?.sortBy ?? ((row: ShelfRow) => (column ? column.text(row) : row.name).toLowerCase());
  const keyed = rows.map((row) => ({ row, key: key(row) }));
  keyed.sort(
    (a, b) => way * (a.key < b.key ? -1 : a.key > b.key ? 1 : 0) || compareText(a.row.name, b.row.name),
  );
  return keyed.map(({ row }) => row);
}

export function ColumnCell({ column, row }: { column: ShelfColumn; row: ShelfRow }) {
  const look = `truncate ${column.isMono || column.isFigure ? "font-mono text-sm" : ""} ${column.isFigure ? "text-right" : ""}`;
  const isUnsound = column.id === "file" && Boolean(row.mod?.problem);
  return (
    <span role="gridcell" className={`${look} ${isUnsound ? "text-saffron" : "text-ink2"}`}>
      {column.id === "findings" && row.level && (
        <span className="mr-1 inline-block">
          <LevelMark level={row.level} label={row.level} size={10} />
        </span>
      )}
      {column.text(row)}
    </span>
  );
}
