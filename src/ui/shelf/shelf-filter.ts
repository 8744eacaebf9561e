import type { ShelfRow } from "./shelf-rows";

export const shelfStates = ["on", "off", "elsewhere", "missing", "unsound", "superseded"] as const;
/**
 * How it stands with a row: on or off in this profile, on the shelf but not in it (`elsewhere`), in it but not on the shelf
 * (`missing`), left out as unsound, or beside another version that counts.
 */
export type ShelfState = (typeof shelfStates)[number];

export const shelfSorts = ["name", "version", "author", "plugins", "size"] as const;
export type ShelfSort = (typeof shelfSorts)[number];

/** What of the shelf is shown; empty does not narrow it. */
export interface ShelfFilter {
  readonly text: string;
  readonly state: ShelfState | "";
  readonly tag: string;
  /** In some profile of the game, or in none. */
  readonly use: "used" | "unused" | "";
}

export const noShelfFilter: ShelfFilter = { text: "", state: "", tag: "", use: "" };

export function stateOf({ mod, seated, supersededBy }: ShelfRow): ShelfState {
  if (!mod) return "missing";
  if (mod.problem) return "unsound";
  if (supersededBy !== null) return "superseded";
  return !seated ? "elsewhere" : seated.loads ? "on" : "off";
}

/** By the ids of the mods that other profiles hold. */
export type Usage = ReadonlyMap<string, readonly string[]>;

const isUsed = (row: ShelfRow, usage: Usage): boolean => row.seated !== null || usage.has(row.id);

type Test = (row: ShelfRow) => boolean;

function tests({ text, state, tag, use }: ShelfFilter, usage: Usage): Record<keyof ShelfFilter, Test> {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  return {
    text: (row) => words.every((word) => row.searched.includes(word)),
    state: (row) => state === "" || stateOf(row) === state,
    tag: (row) => tag === "" || (row.mod?.tags.includes(tag) ?? false),
    use: (row) => use === "" || isUsed(row, usage) === (use === "used"),
  };
}

/** The rows that all parts of the filter let through. */
export function filterShelf(rows: readonly ShelfRow[], filter: ShelfFilter, usage: Usage): ShelfRow[] {
  const all = Object.values(tests(filter, usage));
  return rows.filter((row) => all.every((test) => test(row)));
}

/** How many rows each choice of a part would show, with all other parts as they are. */
export function countChoices<Choice extends string>(
  rows: readonly ShelfRow[],
  filter: ShelfFilter,
  usage: Usage,
  part: "state" | "tag" | "use",
  choices: readonly Choice[],
): { readonly choice: Choice; readonly count: number }[] {
  const fits: Record<typeof part, (row: ShelfRow) => readonly string[]> = {
    state: (row) => [stateOf(row)],
    tag: (row) => row.mod?.tags ?? [],
    use: (row) => [isUsed(row, usage) ? "used" : "unused"],
  };
  const counts = new Map<string, number>();
  for (const row of filterShelf(rows, { ...filter, [part]: "" }, usage))
    for (const choice of fits[part](row)) counts.set(choice, (counts.get(choice) ?? 0) + 1);
  return choices.map((choice) => ({ choice, count: counts.get(choice) ?? 0 }));
}

/** By a column, the other way round where it is marked with a minus; equal ones by name. */
export function sortShelf(rows: readonly ShelfRow[], sort: string): readonly ShelfRow[] {
  const by = shelfSorts.find((each) => each === sort.replace(/^-/, ""));
  if (!by) return rows;
  const keyOf: Record<ShelfSort, (row: ShelfRow) => string | number> = {
    name: (row) => row.name.toLowerCase(),
    version: (row) => row.version,
    author: (row) => row.mod?.author?.toLowerCase() ?? "",
    plugins: (row) => row.mod?.plugins.length ?? 0,
    size: (row) => row.mod?.size ?? 0,
  };
  const key = keyOf[by];
  const way = sort.startsWith("-") ? -1 : 1;
  const compare = (a: string | number, b: string | number) => (a < b ? -1 : a > b ? 1 : 0);
  return [...rows].sort(
    (a, b) => way * compare(key(a), key(b)) || compare(a.name.toLowerCase(), b.name.toLowerCase()),
  );
}
